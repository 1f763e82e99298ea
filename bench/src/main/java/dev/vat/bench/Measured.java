package dev.vat.bench;

import com.sun.management.OperatingSystemMXBean;
import dev.vat.core.run.RunPlan;
import dev.vat.protocol.run.RunHome;
import dev.vat.protocol.storage.Durable;
import dev.vat.protocol.storage.Places;
import dev.vat.worker.run.Runner;
import java.lang.management.ManagementFactory;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;

/** One measurement in a process of its own: prints seconds of wall and of CPU, from before the first read to after the last write. */
final class Measured {

    /** What is measured. */
    enum What {
        /** The bare loop. */
        BARE,
        /** The engine up to the last closed part, inline check off. */
        MAKE,
        /** The same with the inline check. */
        CHECKED,
        /** Everything: join, final proof, receipt, delivery. */
        WHOLE
    }

    private Measured() {}

    static void main(What what, Path frames, Path work, List<String> targets) throws Exception {
        Durable.deleteTree(work);
        Files.createDirectories(work);
        RunPlan plan = Plans.of(frames, work, targets);
        RunHome home = RunHome.create(Places.in(work.resolve("home")), plan);
        OperatingSystemMXBean system = (OperatingSystemMXBean) ManagementFactory.getOperatingSystemMXBean();
        long cpu = system.getProcessCpuTime();
        long wall = System.nanoTime();
        switch (what) {
            case BARE -> new BareLoop(plan, work).run();
            case MAKE -> Runner.encodeOnly(home, false, _ -> {});
            case CHECKED -> Runner.encodeOnly(home, true, _ -> {});
            case WHOLE -> new Runner(home, _ -> {}).run();
        }
        System.out.println(String.format(Locale.ROOT, "MEASURED %.4f %.4f", (System.nanoTime() - wall) / 1e9,
                (system.getProcessCpuTime() - cpu) / 1e9));
        Durable.deleteTree(work);
        Runtime.getRuntime().halt(0);
    }
}
