package dev.vat.core.product;

import java.util.Locale;

/** The systems whose customs Vat knows. Whatever is neither Windows nor macOS is taken as a system like Linux. */
public enum OperatingSystem {
    LINUX, MACOS, WINDOWS;

    /** @param name as Java calls the system: {@code Linux}, {@code Mac OS X}, {@code Windows 11} */
    public static OperatingSystem of(String name) {
        String system = name.toLowerCase(Locale.ROOT);
        return system.startsWith("windows") ? WINDOWS : system.startsWith("mac") ? MACOS : LINUX;
    }

    /** The one that this process runs on. */
    public static OperatingSystem here() {
        return of(System.getProperty("os.name"));
    }
}
