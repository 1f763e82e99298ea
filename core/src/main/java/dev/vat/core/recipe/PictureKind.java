package dev.vat.core.recipe;

import com.fasterxml.jackson.annotation.JsonInclude;

/**
 * In which samples a picture is made of its recipe, and what of it: fixed by the plan, for the window as for a run.
 *
 * @param format of the samples
 * @param alpha whether they have that channel, since something of the reel can be seen through
 * @param pass the pass of a shot that is shown by itself, or null for the whole picture
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record PictureKind(WorkingFormat format, boolean alpha, String pass) {}
