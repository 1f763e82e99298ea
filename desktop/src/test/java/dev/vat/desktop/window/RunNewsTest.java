package dev.vat.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.Mockito.inOrder;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;

import dev.vat.desktop.shell.DesktopShell;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.mockito.InOrder;

class RunNewsTest {

    private final DesktopShell shell = mock(DesktopShell.class);
    private final RunNews news = new RunNews(shell);

    private boolean goesOn(double share) {
        return news.update(OptionalDouble.of(share), false, false, () -> true, "Kite Week");
    }

    private boolean nothingGoesOn(boolean looked, boolean allMade) {
        return news.update(OptionalDouble.empty(), true, looked, () -> allMade, "Kite Week");
    }

    @Test
    void howFarItIsThenThatItEndedOnce() {
        assertThat(nothingGoesOn(false, true)).as("nothing was made yet").isFalse();
        assertThat(goesOn(.5)).isFalse();
        assertThat(nothingGoesOn(false, true)).isTrue();
        assertThat(nothingGoesOn(false, true)).isFalse();
        InOrder order = inOrder(shell);
        order.verify(shell).progress(.5);
        order.verify(shell).ended();
        order.verify(shell).say("All files are made and proven", "Kite Week");
        verify(shell, times(1)).say(anyString(), anyString());
    }

    @Test
    void whoLooksIsToldNothing() {
        goesOn(.5);
        assertThat(nothingGoesOn(true, true)).isTrue();
        verify(shell, never()).say(anyString(), anyString());
    }

    @Test
    void whatWasntMadeIsSaid() {
        goesOn(.5);
        nothingGoesOn(false, false);
        verify(shell).say("The run has ended, and not everything was made", "Kite Week");
    }
}
