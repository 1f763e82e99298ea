package dev.vat.core.product;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class OperatingSystemTest {

    @ParameterizedTest
    @CsvSource({"Linux, LINUX", "Mac OS X, MACOS", "Windows 11, WINDOWS", "Windows Server 2025, WINDOWS", "FreeBSD, LINUX",
        "Darwin, LINUX"})
    void isToldByWhatJavaCallsIt(String name, OperatingSystem system) {
        assertThat(OperatingSystem.of(name)).isEqualTo(system);
    }
}
