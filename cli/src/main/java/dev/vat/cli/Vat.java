package dev.vat.cli;

import dev.vat.core.product.VatVersion;
import dev.vat.core.words.Words;
import dev.vat.engine.WindowLauncher;
import dev.vat.protocol.storage.Places;
import java.io.File;
import java.nio.file.InvalidPathException;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.ResourceBundle;
import java.util.ServiceLoader;
import java.util.Set;
import java.util.TreeSet;
import picocli.CommandLine.Command;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.TypeConversionException;
import picocli.CommandLine.UnmatchedArgumentException;
import picocli.CommandLine;

/** The command line. Without a command the window opens. */
@Command(name = "vat", mixinStandardHelpOptions = true, versionProvider = Vat.Version.class,
        subcommands = {LookCommand.class, WantedCommand.class, ForecastCommand.class, TargetsCommand.class, ShapeCommand.class,
            TryCommand.class, MakeCommand.class, ResumeCommand.class, RemakeCommand.class, ResoundCommand.class, PlanCommand.class,
            ReelCommand.class, ViewsCommand.class, PassesCommand.class, PresetCommand.class, CompareCommand.class, QueueCommand.class,
            HistoryCommand.class,
            ProveCommand.class, SheetCommand.class,
            ContactsCommand.class, HandOverCommand.class, SplitCommand.class, JoinCommand.class, RewrapCommand.class, RecoverCommand.class,
            SceneCommand.class, CaptureCommand.class, DemoCommand.class})
public final class Vat implements Runnable {

    private static final Words WORDS = Words.of(Vat.class);

    /** What {@code --version} says. */
    static final class Version implements CommandLine.IVersionProvider {
        @Override
        public String[] getVersion() {
            return new String[] {VatVersion.named()};
        }
    }

    private Vat() {}

    /** Carries a command out; gives the exit code. */
    public static int run(String... arguments) {
        List<String> words = Arrays.asList(arguments);
        Output output = new Output(words.contains("--json"));
        int code = line(output).execute(arguments);
        if (!Output.isTaken()) {
            output.say(WORDS.say("theAnswerCouldntBeWritten"));
            return code == ExitCode.PROVEN.code() ? ExitCode.FAILED.code() : code;
        }
        return code;
    }

    static CommandLine line(Output output) {
        CommandLine line = new CommandLine(new Vat(), factory(output));
        line.setResourceBundle(ResourceBundle.getBundle("dev.vat.cli.usage"));
        line.registerConverter(Path.class, Vat::path);
        line.setCaseInsensitiveEnumValuesAllowed(true);
        line.setParameterExceptionHandler((e, _) -> wrongUse(output, e));
        line.setExecutionExceptionHandler((e, _, _) -> failure(output, e));
        return line;
    }

    private static CommandLine.IFactory factory(Output output) {
        CommandLine.IFactory standard = CommandLine.defaultFactory();
        Places places = Places.ofSystem();
        return new CommandLine.IFactory() {
            @Override
            public <K> K create(Class<K> type) throws Exception {
                if (type == LookCommand.class) {
                    return type.cast(new LookCommand(output, places));
                }
                if (type == WantedCommand.class) {
                    return type.cast(new WantedCommand(output, places));
                }
                if (type == ShapeCommand.class) {
                    return type.cast(new ShapeCommand(output));
                }
                if (type == ForecastCommand.class) {
                    return type.cast(new ForecastCommand(output));
                }
                if (type == ContactsCommand.class) {
                    return type.cast(new ContactsCommand(output, places));
                }
                if (type == HandOverCommand.class) {
                    return type.cast(new HandOverCommand(output, places));
                }
                if (type == SplitCommand.class) {
                    return type.cast(new SplitCommand(output, places));
                }
                if (type == JoinCommand.class) {
                    return type.cast(new JoinCommand(output, places));
                }
                if (type == RewrapCommand.class) {
                    return type.cast(new RewrapCommand(output, places));
                }
                if (type == RecoverCommand.class) {
                    return type.cast(new RecoverCommand(output, places));
                }
                if (type == ReelCommand.class) {
                    return type.cast(new ReelCommand(output, places));
                }
                if (type == CompareCommand.class) {
                    return type.cast(new CompareCommand(output, places));
                }
                if (type == PresetCommand.class) {
                    return type.cast(new PresetCommand(output, places));
                }
                if (type == ViewsCommand.class) {
                    return type.cast(new ViewsCommand(output, places));
                }
                if (type == PassesCommand.class) {
                    return type.cast(new PassesCommand(output, places));
                }
                if (type == SheetCommand.class) {
                    return type.cast(new SheetCommand(output, places));
                }
                if (type == SceneCommand.class) {
                    return type.cast(new SceneCommand(output, places));
                }
                if (type == SceneRenderCommand.class) {
                    return type.cast(new SceneRenderCommand(output, places));
                }
                if (type == CaptureCommand.class) {
                    return type.cast(new CaptureCommand(output, places));
                }
                if (type == TryCommand.class) {
                    return type.cast(new TryCommand(output, places));
                }
                if (type == MakeCommand.class) {
                    return type.cast(new MakeCommand(output, places));
                }
                if (type == ResumeCommand.class) {
                    return type.cast(new ResumeCommand(output, places));
                }
                if (type == RemakeCommand.class) {
                    return type.cast(new RemakeCommand(output, places));
                }
                if (type == ResoundCommand.class) {
                    return type.cast(new ResoundCommand(output, places));
                }
                if (type == PlanCommand.class) {
                    return type.cast(new PlanCommand(output, places));
                }
                if (type == QueueCommand.class) {
                    return type.cast(new QueueCommand(output, places));
                }
                if (type == HistoryCommand.class) {
                    return type.cast(new HistoryCommand(output, places));
                }
                if (type == ProveCommand.class) {
                    return type.cast(new ProveCommand(output, places));
                }
                if (type == TargetsCommand.class) {
                    return type.cast(new TargetsCommand(output));
                }
                if (type == DemoCommand.class) {
                    return type.cast(new DemoCommand(output, places));
                }
                return standard.create(type);
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
