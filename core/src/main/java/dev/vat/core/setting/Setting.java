package dev.vat.core.setting;

import dev.vat.core.delivery.Deliverable;
import dev.vat.core.project.Edit;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.BinaryOperator;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;

/**
 * Everything that there is to one setting of a deliverable: what it is called, what it says of a deliverable, how it is typed or chosen,
 * what the target has, what an edit of it is called, how it is said on the command line, and which findings are about it. The sheet,
 * presets, undo, the command line and the marks of findings read the same list, {@link DeliverableSettings}.
 */
public final class Setting {

    private static final Words WORDS = Words.of(Setting.class);

    /** Where it stands in the sheet. */
    public enum Group {
        FORMAT, PICTURE, COLOUR, SOUND, FILE
    }

    /** How somebody gives it another value. */
    public enum Input {
        TYPED, CHOSEN, FILE
    }

    /** Something of a deliverable, as far as it is known. */
    @FunctionalInterface
    interface Shown<T> {
        T of(SettingView view, Deliverable deliverable);
    }

    private final String id;
    private final Group group;
    private final String title;
    private final String sentence;
    private String named;
    private Shown<Optional<String>> value = (_, _) -> Optional.empty();
    private String absence = WORDS.say("notKnownYet");
    private Shown<String> more = (_, _) -> "";
    private Shown<String> text = (_, _) -> "";
    private CommandOption.Said typed;
    private Shown<List<Choice>> choices;
    private Predicate<Deliverable> applies = _ -> true;
    private UnaryOperator<Deliverable> back = UnaryOperator.identity();
    private BinaryOperator<Deliverable> carried;
    private final List<CommandOption> options = new ArrayList<>();
    private Set<String> findings = Set.of();

    private Setting(String id, Group group, String title, String sentence) {
        this.id = id;
        this.group = group;
        this.title = title;
        this.sentence = sentence;
        this.named = title.toLowerCase(Locale.ROOT);
    }

    static Setting of(String id, Group group, String title, String sentence) {
        return new Setting(id, group, title, sentence);
    }

    // ---- how it is put together, by those who list settings

    /** What an edit of it is called, behind {@code change of}. */
    Setting named(String words) {
        named = words;
        return this;
    }

    /** @param shown empty where the setting doesn't apply, or isn't known yet */
    Setting showing(Shown<Optional<String>> shown) {
        value = shown;
        return this;
    }

    Setting showing(Function<Deliverable, String> shown) {
        return showing((_, d) -> Optional.of(shown.apply(d)));
    }

    /** @param why said where it has no value */
    Setting absent(String why) {
        absence = why;
        return this;
    }

    /** What is said besides its sentence, for one deliverable. */
    Setting saying(Shown<String> words) {
        more = words;
        return this;
    }

    /** @param begin what stands in an editor to begin with */
    Setting typed(Shown<String> begin, CommandOption.Said entered) {
        text = begin;
        typed = entered;
        return this;
    }

    Setting chosen(Shown<List<Choice>> offered) {
        choices = offered;
        return this;
    }

    /** @param give the second deliverable with what the first has here, where that is more than a choice or a text */
    Setting carried(BinaryOperator<Deliverable> give) {
        carried = give;
        return this;
    }

    /** @param whether a codec or a container has it at all */
    Setting where(Predicate<Deliverable> whether) {
        applies = whether;
        return this;
    }

    /** @param target the same with this as the target has it */
    Setting back(UnaryOperator<Deliverable> target) {
        back = target;
        return this;
    }

    Setting option(String name, String label, String description, CommandOption.Said said) {
        options.add(new CommandOption(name, label, false, description, said));
        return this;
    }

    Setting optionOfMany(String name, String label, String description, CommandOption.Said said) {
        options.add(new CommandOption(name, label, true, description, said));
        return this;
    }

    /** @param ids of the findings that are about it */
    Setting judgedBy(String... ids) {
        findings = Set.of(ids);
        return this;
    }

    // ---- what everybody asks

    /** Stable: cells, marks and documents know it by that. */
    public String id() {
        return id;
    }

    public Group group() {
        return group;
    }

    public String title() {
        return title;
    }

    /** The setting in one sentence, and what holds for a deliverable. */
    public String sentence(SettingView view, Deliverable deliverable) {
        return sentence + more.of(view, deliverable);
    }

    /** What it is, in words; empty where it doesn't apply or isn't known yet. */
    public Optional<String> value(SettingView view, Deliverable deliverable) {
        return value.of(view, deliverable);
    }

    /** Why it has no value. */
    public String absence() {
        return absence;
    }

    /** Whether somebody may give it another value. */
    public boolean isEditable(Deliverable deliverable) {
        return deliverable.isKnown() && applies.test(deliverable);
    }

    public Input input() {
        return choices != null ? Input.CHOSEN : typed != null ? Input.TYPED : Input.FILE;
    }

    /** What stands in an editor to begin with. */
    public String text(SettingView view, Deliverable deliverable) {
        return text.of(view, deliverable);
    }

    /** What a deliverable has of itself, whatever reel it is made of. */
    public String asked(Deliverable deliverable) {
        SettingView nothing = SettingView.of(null);
        return choices(nothing, deliverable).stream().filter(Choice::chosen).map(Choice::title).findFirst()
                .or(() -> Optional.of(text(nothing, deliverable)).filter(t -> !t.isEmpty()))
                .or(() -> value(nothing, deliverable)).orElse(absence);
    }

    /** What typing something makes of a deliverable. @throws IllegalArgumentException saying in words why the text can't be used */
    public Deliverable typed(SettingView view, Deliverable deliverable, String words) {
        return typed.on(view, deliverable, words);
    }

    /** What there is to choose, what can't be chosen with its reason. */
    public List<Choice> choices(SettingView view, Deliverable deliverable) {
        return choices == null ? List.of() : choices.of(view, deliverable);
    }

    /** Whether a deliverable has something else here than its target. */
    public boolean differs(Deliverable deliverable) {
        return deliverable.isKnown() && !back.apply(deliverable).equals(deliverable);
    }

    /** The same with this as the target has it. */
    public Deliverable asTarget(Deliverable deliverable) {
        return back.apply(deliverable);
    }

    /**
     * What one deliverable has here, given to another one.
     *
     * @throws IllegalArgumentException saying in words why that one can't have it
     */
    public Deliverable carry(SettingView view, Deliverable from, Deliverable to) {
        if (!isEditable(to)) {
            throw new IllegalArgumentException(WORDS.say("hasNoToSet", to.title(), title.toLowerCase(Locale.ROOT)));
        }
        if (carried != null) {
            return carried.apply(from, to);
        }
        if (input() == Input.TYPED) {
            return typed(view, to, text(view, from));
        }
        Choice chosen = choices(view, from).stream().filter(Choice::chosen).findFirst().orElseThrow(
                () -> new IllegalArgumentException(WORDS.say("hasNothingHereThatCould", from.title(), to.title())));
        Choice same = choices(view, to).stream().filter(c -> c.id().equals(chosen.id())).findFirst()
                .orElseThrow(() -> new IllegalArgumentException(WORDS.say("cantHave", to.title(), chosen.title())));
        if (same.refusal() != null) {
            throw new IllegalArgumentException(WORDS.say("cantHave2", to.title(), chosen.title(), same.refusal()));
        }
        return same.change().apply(to);
    }

    /** How it is said on the command line; nothing where it can't be. */
    public List<CommandOption> options() {
        return List.copyOf(options);
    }

    /** Whether a finding is about it. @param finding its id */
    public boolean isJudgedBy(String finding) {
        return findings.contains(finding);
    }

    /** A change of it as an edit with its name. @param column id of the deliverable */
    public Edit edit(String column, UnaryOperator<Deliverable> change) {
        return new Edit(WORDS.say("changeOf", named), project -> project.withDeliverable(column, change));
    }

    /** Lets it follow the target again. */
    public Edit follow(String column) {
        return new Edit(WORDS.say("asTheTargetHasIt", named), project -> project.withDeliverable(column, back));
    }

    @Override
    public String toString() {
        return id;
    }
}
