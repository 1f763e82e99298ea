package dev.vat.core.run;

/** Which of a frame's pictures a file is made of. @param format its samples @param pass the pass of a shot that it shows by itself, or null for the whole picture */
public record PictureKind(WorkingFormat format, String pass) { }
