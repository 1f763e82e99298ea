package dev.vat.engine.viewer;

import dev.vat.core.source.FrameCheck;
import dev.vat.core.source.Sequence;
import java.util.List;

/** Some more frames of a sequence have been looked into: {@code checked} by now, {@code fresh} the newest ones. */
public record CheckProgress(Sequence sequence, int checked, List<FrameCheck> fresh) {}
