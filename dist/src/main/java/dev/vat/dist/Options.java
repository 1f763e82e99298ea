package dev.vat.dist;

import java.util.List;
import java.util.stream.Stream;

/** How the JVM is started: a window that stays, and commands that are over soon. */
final class Options {

    private static final List<String> COMMON = List.of("-Xmx1g", "-Xlog:disable", "-Xlog:all=warning:stderr");

    static final List<String> WINDOW = all(List.of("-XX:+UseG1GC", "-XX:MaxGCPauseMillis=15", "-XX:G1PeriodicGCInterval=60000",
            "-XX:MinHeapFreeRatio=10", "-XX:MaxHeapFreeRatio=30", "--enable-native-access=ALL-UNNAMED,javafx.graphics"));

    /** What compiles code well, and what reaches methods quickly once it is warm, costs a command more than it gives. */
    static final List<String> COMMAND = all(List.of("-XX:+UseSerialGC", "-XX:TieredStopAtLevel=1",
            "-Djdk.reflect.useNativeAccessorOnly=true", "--enable-native-access=ALL-UNNAMED"));

    private Options() {}

    private static List<String> all(List<String> own) {
        return Stream.concat(own.stream(), COMMON.stream()).toList();
    }
}
