package dev.vat.core.trial;

import com.fasterxml.jackson.annotation.JsonInclude.Include;
import com.fasterxml.jackson.annotation.JsonInclude;

/**
 * A frame as a file's encoder packed it.
 *
 * @param bytes of its packet
 * @param key whether it stands alone
 * @param psnr against what the encoder was given, in dB; null if not a bit differs
 * @param ssim from 0 to 1
 */
@JsonInclude(Include.NON_NULL)
public record Packed(int bytes, boolean key, Double psnr, double ssim) {}
