package dev.vat.cli;

import dev.vat.core.product.VatVersion;
import dev.vat.core.words.Words;
import dev.vat.engine.WindowLauncher;
import dev.vat.engine.viewer.Viewer;
import dev.vat.protocol.storage.Places;
import java.io.File;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.InvalidPathException;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Collection;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Properties;
import java.util.ResourceBundle;
import java.util.SequencedMap;
import java.util.ServiceLoader;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.BiFunction;
import java.util.stream.Stream;
import picocli.CommandLine.Command;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.TypeConversionException;
import picocli.CommandLine.UnmatchedArgumentException;
import picocli.CommandLine;

/** The command line. Without a command the window opens. */
@Command(name = "vat", mixinStandardHelpOptions = true, versionProvider = Vat.Version.class)
public final class Vat implements Runnable {

    private static final Words WORDS = Words.of(Vat.class);

    /** In the order in which help lists them, by their names. */
    private static final SequencedMap<String, BiFunction<Output, Places, Object>> COMMANDS = new LinkedHashMap<>();

    static {
        COMMANDS.put("look", LookCommand::new);
        COMMANDS.put("wanted", WantedCommand::new);
        COMMANDS.put("forecast", (output, _) -> new ForecastCommand(output));
        COMMANDS.put("targets", (output, _) -> new TargetsCommand(output));
        COMMANDS.put("findings", (output, _) -> new FindingsCommand(output));
        COMMANDS.put("shape", (output, _) -> new ShapeCommand(output));
        COMMANDS.put("try", TryCommand::new);
        COMMANDS.put("make", MakeCommand::new);
        COMMANDS.put("resume", ResumeCommand::new);
        COMMANDS.put("remake", RemakeCommand::new);
        COMMANDS.put("resound", ResoundCommand::new);
        COMMANDS.put("plan", PlanCommand::new);
        COMMANDS.put("reel", ReelCommand::new);
        COMMANDS.put("views", ViewsCommand::new);
        COMMANDS.put("passes", PassesCommand::new);
        COMMANDS.put("preset", PresetCommand::new);
        COMMANDS.put("compare", CompareCommand::new);
        COMMANDS.put("queue", QueueCommand::new);
        COMMANDS.put("history", HistoryCommand::new);
        COMMANDS.put("prove", ProveCommand::new);
        COMMANDS.put("sheet", SheetCommand::new);
        COMMANDS.put("contacts", ContactsCommand::new);
        COMMANDS.put("handover", HandOverCommand::new);
        COMMANDS.put("split", SplitCommand::new);
        COMMANDS.put("join", JoinCommand::new);
        COMMANDS.put("rewrap", RewrapCommand::new);
        COMMANDS.put("recover", RecoverCommand::new);
        COMMANDS.put("scene", SceneCommand::new);
        COMMANDS.put("capture", CaptureCommand::new);
        COMMANDS.put("previews", PreviewsCommand::new);
        COMMANDS.put("demo", DemoCommand::new);
    }

    /** Those that look into frames at once. */
    private static final Set<String> LOOKING = Set.of("look", "wanted", "make", "plan", "try", "passes", "contacts");
    private static final Set<String> HELP = Set.of("-h", "--help", "-V", "--version");

    /** What {@code --version} says. */
    static final class Version implements CommandLine.IVersionProvider {
        @Override
        public String[] getVersion() {
            return new String[] {VatVersion.named(), WORDS.say("with", library(), Runtime.version().toString())};
        }

        /** As it says itself in its own file; without loading it, which takes longer than the answer should. */
        private static String library() {
            Properties told = new Properties();
            try (InputStream file = Vat.class.getResourceAsStream("/META-INF/maven/org.bytedeco/ffmpeg/pom.properties")) {
                if (file != null) {
                    told.load(file);
                }
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
            return told.getProperty("version", WORDS.say("unknown"));
        }
    }

    private Vat() {}

    /** Carries a command out; gives the exit code. */
    public static int run(String... typed) {
        String[] arguments = withoutHelpWord(typed);
        List<String> words = Arrays.asList(arguments);
        Output output = new Output(words.contains("--json"));
        boolean named = arguments.length > 0 && COMMANDS.containsKey(arguments[0]);
        if (named && LOOKING.contains(arguments[0]) && Collections.disjoint(words, HELP)) {
            // Its process starts while the command is still being understood.
            Viewer.expect(Places.ofSystem());
        }
        int code = (named ? line(output, List.of(arguments[0])) : line(output)).execute(arguments);
        if (!Output.isTaken()) {
            output.say(WORDS.say("theAnswerCouldntBeWritten"));
            return code == ExitCode.PROVEN.code() ? ExitCode.FAILED.code() : code;
        }
        return code;
    }

    /** {@code help make} is {@code make --help}; of what is no command it is said that it is none. */
    private static String[] withoutHelpWord(String[] typed) {
        if (typed.length == 0 || !typed[0].equals("help")) {
            return typed;
        }
        boolean known = typed.length == 1 || COMMANDS.containsKey(typed[1]);
        return Stream.concat(Arrays.stream(typed).skip(1), known ? Stream.of("--help") : Stream.empty()).toArray(String[]::new);
    }

    /** Every command with what it says of itself, for what is made from it; nothing is carried out. */
    public static CommandLine described() {
        return line(new Output(false));
    }

    /** With every command. */
    static CommandLine line(Output output) {
        return line(output, COMMANDS.sequencedKeySet());
    }

    /** With some commands alone: a command that is known by its name needn't wait until what all others take is known. */
    private static CommandLine line(Output output, Collection<String> names) {
        Places places = Places.ofSystem();
        CommandLine line = new CommandLine(new Vat(), factory(output, places));
        names.forEach(name -> line.addSubcommand(name, COMMANDS.get(name).apply(output, places)));
        line.setResourceBundle(ResourceBundle.getBundle("dev.vat.cli.usage"));
        line.registerConverter(Path.class, Vat::path);
        line.setCaseInsensitiveEnumValuesAllowed(true);
        line.setParameterExceptionHandler((e, _) -> wrongUse(output, e));
        line.setExecutionExceptionHandler((e, _, _) -> failure(output, e));
        return line;
    }

    /** Makes what a command has under it. */
    private static CommandLine.IFactory factory(Output output, Places places) {
        CommandLine.IFactory standard = CommandLine.defaultFactory();
        return new CommandLine.IFactory() {
            @Override
            public <K> K create(Class<K> type) throws Exception {
                return type == SceneRenderCommand.class ? type.cast(new SceneRenderCommand(output, places)) : standard.create(type);
            }
        };
    }

    private static int wrongUse(Output output, ParameterException e) {
        String text = e.getMessage().lines().findFirst().orElse(WORDS.say("wrongUse"));
        text += text.endsWith(".") ? "" : ".";
        List<String> nearest = e instanceof UnmatchedArgumentException unknown
                ? Nearest.to(unknown.getUnmatched().getFirst(), names(unknown.getCommandLine())) : List.of();
        output.error(ExitCode.WRONG_USE, nearest.isEmpty() ? WORDS.say("seeVatHelp", text)
                : text + WORDS.say("isItThis", String.join(WORDS.say("or"), nearest)));
        return ExitCode.WRONG_USE.code();
    }

    /** All words that a command knows. */
    private static Set<String> names(CommandLine command) {
        Set<String> names = new TreeSet<>(command.getSubcommands().keySet());
        names.addAll(command.getCommandSpec().optionsMap().keySet());
        return names;
    }

    private static Path path(String text) {
        try {
            return Path.of(text);
        } catch (InvalidPathException e) {
            throw new TypeConversionException(noPath(e, System.getProperty("sun.jnu.encoding", "")));
        }
    }

    /** @param characters that the system takes file names for */
    static String noPath(InvalidPathException e, String characters) {
        return WORDS.say("cantBeAPath", e.getInput(), e.getReason())
                + (characters.equalsIgnoreCase("UTF-8") ? "" : WORDS.say("theSystemsCharactersAre", characters));
    }

    private static int failure(Output output, Exception e) {
        ExitCode code = switch (e) {
            case CommandFailure failure -> failure.code();
            // What was named isn't there.
            case NoSuchFileException _ -> ExitCode.WRONG_USE;
            default -> ExitCode.FAILED;
        };
        output.error(code, e instanceof CommandFailure ? e.getMessage() : Output.inWords(e));
        return code.code();
    }

    @Override
    public void run() {
        throw new IllegalStateException("The window is opened by the launcher");
    }

    /** The window, if this installation has one. */
    public static WindowLauncher window() {
        return ServiceLoader.load(WindowLauncher.class).findFirst()
                .orElseThrow(() -> new CommandFailure(ExitCode.FAILED, WORDS.say("thisInstallationHasNoWindow")));
    }

    /** Whether the arguments mean the window: none, or nothing but paths to open. */
    public static boolean meansWindow(String... arguments) {
        return arguments.length == 0 || Arrays.stream(arguments).allMatch(a -> !a.startsWith("-") && new File(a).exists());
    }
}
