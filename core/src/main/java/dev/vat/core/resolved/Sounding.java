package dev.vat.core.resolved;

import dev.vat.core.project.Source;
import dev.vat.core.reel.SoundUse;

/** A sound of the reel with its source. @param place its number in the reel */
public record Sounding(int place, SoundUse use, Source source) {}
