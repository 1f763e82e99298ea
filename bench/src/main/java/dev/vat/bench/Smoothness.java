package dev.vat.bench;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.time.Rate;
import dev.vat.desktop.window.VatWindow;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;

/** The gaps between the real window's pulses while a run takes all cores and somebody steps through frames. */
final class Smoothness {

    private final Path home;
    private final List<String> targets;

    Smoothness(Path home, List<String> targets) {
        this.home = home;
        this.targets = targets;
    }

    void run() throws Exception {
        Path frames = Material.repeated(home, Material.frames(home, 96, 960, 540), 200);
        try (BenchWindow bench = new BenchWindow(home.resolve("smooth-home"))) {
            VatWindow window = bench.window();
            bench.run(() -> window.session().search().bringIn(List.of(frames)));
            bench.await(() -> window.session().watch().table("s1") != null && !window.session().watch().isChecking());
            for (String target : targets) {
                bench.run(() -> window.session().edit(DeliverableEdits.addTarget(Catalogue.target(target))));
            }
            bench.run(() -> window.session().chooseRate(Rate.FPS_25));
            bench.await(() -> window.session().making().canMake());
            during(bench);
            during(bench);
        }
    }

    private void during(BenchWindow bench) throws Exception {
        VatWindow window = bench.window();
        PulseGaps gaps = new PulseGaps();
        bench.press("make");
        bench.await(() -> window.session().runs().going().filter(l -> l.framesRead() > 20).isPresent());
        bench.run(gaps::start);
        Presses presses = Presses.of(bench, () -> !window.session().runs().isFree());
        bench.await(() -> window.session().runs().isFree());
        // The end of a run is where most is shown anew.
        Thread.sleep(1000);
        bench.run(gaps::stop);
        long[] sorted = gaps.sorted();
        System.out.printf(Locale.ROOT, "window during a run of %d files: %d pulses, median gap %.1f ms, 99.9 %% below %.1f "
                + "ms, longest %.1f ms%n", targets.size(), sorted.length,
                sorted[sorted.length / 2] / 1e6, sorted[(int) (sorted.length * .999)] / 1e6, sorted[sorted.length - 1] / 1e6);
        System.out.println(presses.words("during it"));
    }
}
