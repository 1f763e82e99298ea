package dev.vat.bench;

import dev.vat.core.time.Rate;
import dev.vat.desktop.window.VatWindow;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;

/** The real window playing 96 frames of 960x540 at one stored pixel to a pixel of the screen, once they are cached. */
final class Playing {

    private static final int SECONDS = 20;

    private final Path home;

    Playing(Path home) {
        this.home = home;
    }

    void run() throws Exception {
        Path frames = Material.frames(home, 96, 960, 540);
        try (BenchWindow bench = new BenchWindow(home.resolve("play-home"))) {
            VatWindow window = bench.window();
            bench.run(() -> window.session().search().bringIn(List.of(frames)));
            bench.await(() -> window.session().watch().table("s1") != null && !window.session().watch().isChecking());
            bench.press("picture-only");
            bench.press("actual");
            for (Rate rate : List.of(Rate.of(24), Rate.of(25), Rate.of(30), Rate.of(50), Rate.of(60))) {
                BenchWindow.Played played = bench.play(rate, SECONDS);
                String words = played.words();
                long dropped = words.endsWith("dropped") ? Long.parseLong(words.replaceAll("\\D", "")) : 0;
                double due = rate.perSecond().toDouble() * SECONDS;
                System.out.printf(Locale.ROOT, "played at %s for %d s: %d frames shown, %d of %.0f dropped (%.2f %%)%s%n", rate.label(),
                        SECONDS, played.shown(), dropped, due,
                        100 * dropped / due, words.startsWith("filling") ? " while " + words : "");
            }
        }
    }
}
