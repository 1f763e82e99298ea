package dev.vat.media.decode.still;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.source.FileKind;
import dev.vat.core.source.FrameState;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class JxlFileTest {

    @Test
    void withoutALibraryTheFindingSaysWhatToInstall() {
        Inspection inspection = JxlFile.inspect(new byte[] {(byte) 0xff, 0x0a, 0, 0}, Optional.empty());
        assertThat(inspection.state()).isEqualTo(FrameState.UNREADABLE);
        assertThat(inspection.why()).contains("libjxl, which this system doesn't have: install it").contains("or save the frames as PNG");
    }

    @Test
    void bothFormsAreKnownByTheirFirstBytes() {
        assertThat(FileKind.ofContent(new byte[] {(byte) 0xff, 0x0a, 0, 0})).contains(FileKind.JXL);
        assertThat(FileKind.ofContent(new byte[] {0, 0, 0, 12, 'J', 'X', 'L', ' ', '\r', '\n', (byte) 0x87, '\n', 0}))
                .contains(FileKind.JXL);
    }
}
