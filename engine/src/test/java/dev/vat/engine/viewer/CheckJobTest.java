package dev.vat.engine.viewer;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.Depth;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.source.FileKind;
import dev.vat.core.source.FrameCheck;
import dev.vat.core.source.FrameState;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Sequence;
import dev.vat.core.source.SequencePattern;
import dev.vat.protocol.ViewerMessage;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;

/** The file that kills the decoder is found among those that were being looked into, without any process. */
class CheckJobTest {

    private static final PictureFormat FORMAT = new PictureFormat("PNG", Size.of(8, 8), Depth.integer(8), AlphaKind.NONE,
            PixelAspect.SQUARE, false, List.of());

    private static Sequence sequence(int count) {
        long[] numbers = LongStream.rangeClosed(1, count).toArray();
        return Sequence.of(Path.of("f"), new SequencePattern("a.", 4, ".png"), FileKind.PNG, numbers, numbers.clone(), new long[count]);
    }

    /** Answers questions like a decoder that dies of one frame. */
    private static FrameTable run(int count, long deadly) {
        CheckJob job = new CheckJob(sequence(count), false, null, new KnownChecks(null), _ -> {});
        long id = 0;
        int deaths = 0;
        Deque<ViewerMessage.Check> asked = new ArrayDeque<>();
        while (!job.isOver()) {
            for (Optional<ViewerMessage.Check> q = job.nextQuestion(++id); q.isPresent(); q = job.nextQuestion(++id)) {
                asked.add(q.get());
            }
            ViewerMessage.Check first = asked.removeFirst();
            if (first.files().stream().anyMatch(f -> f.number() == deadly)) {
                assertThat(++deaths).as("the hunt comes to an end").isLessThan(40);
                asked.clear();
                job.workerLost();
            } else {
                job.answered(new ViewerMessage.Checked(first.id(),
                        first.files().stream().map(f -> FrameCheck.sound(f.number(), FORMAT, null, null)).toList()));
            }
        }
        return job.result().join();
    }

    @Test
    void theDeadlyFrameIsNamedAndAllOthersAreChecked() {
        for (long deadly : new long[] {1, 8, 9, 50, 100}) {
            FrameTable table = run(100, deadly);
            assertThat(table.faults()).singleElement().satisfies(f -> {
                assertThat(f.frame()).isEqualTo(deadly);
                assertThat(f.state()).isEqualTo(FrameState.UNREADABLE);
                assertThat(f.why()).contains("crash");
            });
            assertThat(table.good()).isEqualTo(99);
        }
    }

    @Test
    void aFileThatWasOnlyBesideTheDeadlyOneIsInnocent() {
        assertThat(run(33, 30).faults()).extracting(FrameTable.Fault::frame).containsExactly(30L);
    }

    @Test
    void whatCouldntBeReadIsAskedAboutAgainAndWhatWasSoundIsNot() {
        KnownChecks known = new KnownChecks(null);
        CheckJob first = new CheckJob(sequence(3), false, null, known, _ -> {});
        ViewerMessage.Check asked = first.nextQuestion(1).orElseThrow();
        first.answered(new ViewerMessage.Checked(1, List.of(FrameCheck.sound(1, FORMAT, null, null),
                FrameCheck.fault(2, FrameState.UNREADABLE, "this user may not read the file"),
                FrameCheck.fault(3, FrameState.CUT_SHORT, "it ends early"))));
        assertThat(asked.files()).hasSize(3);
        CheckJob second = new CheckJob(sequence(3), false, null, known, _ -> {});
        assertThat(second.nextQuestion(2).orElseThrow().files()).extracting(ViewerMessage.Check.File::number).containsExactly(2L);
    }

    @Test
    void withoutDeathsEverythingIsCheckedOnce() {
        assertThat(run(33, -1).good()).isEqualTo(33);
    }
}
