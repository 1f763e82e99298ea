package dev.vat.core.pass;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/** The passes that one shot's picture is made of again, from the lowest up; what the lowest one does to nothing is to be there. */
public record PassMix(@JsonValue List<Pass> passes) {

    @JsonCreator(mode = JsonCreator.Mode.DELEGATING)
    public PassMix {
        passes = List.copyOf(passes);
    }

    public PassMix with(int index, UnaryOperator<Pass> change) {
        List<Pass> changed = new ArrayList<>(passes);
        changed.set(index, change.apply(changed.get(index)));
        return new PassMix(changed);
    }

    /** The pass at {@code from} goes to stand at {@code to}. */
    public PassMix moved(int from, int to) {
        List<Pass> reordered = new ArrayList<>(passes);
        reordered.add(to, reordered.remove(from));
        return new PassMix(reordered);
    }

    public PassMix without(int index) {
        List<Pass> fewer = new ArrayList<>(passes);
        fewer.remove(index);
        return new PassMix(fewer);
    }

    /** The one that is the whole picture, which the sum of the others should come to. */
    public Optional<Pass> full() {
        return passes.stream().filter(p -> PassWords.role(p.name()).filter(PassWords.Role.FULL::equals).isPresent()).findFirst();
    }

    /** Those that go in. */
    public PassMix on() {
        return new PassMix(passes.stream().filter(p -> !p.off()).toList());
    }
}
