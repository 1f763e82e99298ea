package dev.vat.core.delivery;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class WishTest {

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "transparent, for a browser, small | web-vp9-alpha",
        "plays anywhere with sound            | web-h264",
        "lossless archive with alpha, in a file with sound | alpha-png",
        "10-bit editing                     | edit-prores-hq",
        "HDR in browsers | hdr-pq",
        "broadcast, interlaced | broadcast-mpeg2-50",
        "a loop with alpha | web-apng",
        "EXR frames with alpha              | frames-png-alpha"})
    void whatIsWishedIsFound(String text, String first) {
        Wish.Answer answer = Wish.answer(Wish.parse(text));
        assertThat(answer.meeting()).extracting(Target::id).first().isEqualTo(first);
        assertThat(answer.meeting()).allSatisfy(t -> assertThat(answer.wishes()).allMatch(w -> w.isMetBy(t)));
        assertThat(answer.obstacles()).isEmpty();
    }

    @Test
    void whatNoneCanMeetSaysWhatStandsInTheWayAndTheNearestTwo() {
        Wish.Answer answer = Wish.answer(Wish.parse("alpha, plays anywhere, small"));
        assertThat(answer.meeting()).isEmpty();
        assertThat(answer.obstacles()).singleElement().asString().startsWith("Nothing that can be seen through also plays anywhere: ")
                .contains("ProRes 4444").contains("H.264 High");
        assertThat(answer.nearest()).hasSize(2);
        assertThat(answer.nearest()).extracting(n -> n.lacks().size()).containsOnly(1);
        assertThat(answer.nearest()).extracting(Wish.Near::lacks).as("two ways out").doesNotHaveDuplicates();
        assertThat(answer.nearest().getFirst().words()).contains("all but that it ");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"720p, small | 720p", "alpha and 4 GB at most | 4 GB at most", "small; plays in browsers |"})
    void whatIsLeftOverIsSaidToo(String text, String left) {
        assertThat(String.join(", ", Wish.notUnderstood(text))).isEqualTo(left == null ? "" : left);
    }

    @Test
    void whatIsntUnderstoodIsSaid() {
        assertThatIllegalArgumentException().isThrownBy(() -> Wish.parse("mauve")).withMessageContaining("'mauve' says nothing")
                .withMessageContaining("plays anywhere");
    }
}
