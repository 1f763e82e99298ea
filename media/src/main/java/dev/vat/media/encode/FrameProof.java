package dev.vat.media.encode;

import dev.vat.core.proof.FrameLight;

/**
 * What was measured of one encoded frame by decoding it again at once.
 *
 * @param crc CRC32C over the decoded samples
 * @param psnr luma, decoded against what the encoder was given, in dB; positive infinity if not a bit differs
 * @param ssim luma, from 0 to 1
 * @param light of what the encoder was given, in PQ; null by other curves
 */
public record FrameProof(long frame, int crc, double psnr, double ssim, FrameLight light) {}
