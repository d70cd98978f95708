package org.catalexis.cli;

import java.io.FileDescriptor;
import java.io.FileOutputStream;
import java.io.IOException;
import java.io.OutputStreamWriter;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.AccessDeniedException;
import java.nio.file.FileSystemException;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.catalexis.settings.BadInputException;
import org.catalexis.settings.Nearest;
import picocli.CommandLine;

/**
 * The command line: {@code catalexis COMMAND ...}.
 *
 * <p>Exit codes: 0 done, 1 the job failed, 2 the call was wrong. Errors are one line on the error stream;
 * {@code --trace} adds where in the program they came from.
 *
 * @since 0.1
 */
@CommandLine.Command(
        name = "catalexis",
        description = "Search, measured: build an index of documents, rank queries, measure, tune, round and round.",
        synopsisSubcommandLabel = "COMMAND",
        versionProvider = Version.class,
        footer = {"", "Begin with:  catalexis demo", "Then, in its folder:  catalexis find loose hinge"},
        subcommands = {
            DemoCommand.class,
            TokensCommand.class,
            BuildCommand.class,
            PeekCommand.class,
            FindCommand.class,
            RankCommand.class,
            MeasureCommand.class,
            TuneCommand.class
        })
public final class Catalexis {
    private static final int FAILED = 1;
    private static final int WRONG_CALL = 2;

    @CommandLine.Option(
            names = {"-h", "--help"},
            usageHelp = true,
            scope = CommandLine.ScopeType.INHERIT,
            description = "Show this help.")
    @SuppressWarnings("UnusedVariable") // picocli acts on it
    private boolean help;

    @CommandLine.Option(names = "--version", versionHelp = true, description = "Show the version.")
    @SuppressWarnings("UnusedVariable") // picocli acts on it
    private boolean version;

    @CommandLine.Option(
            names = "--trace",
            scope = CommandLine.ScopeType.INHERIT,
            description = "Show where in the program an error came from.")
    private boolean trace;

    private Catalexis() {}

    /** Runs a command and ends the process with its exit code. */
    public static void main(String[] args) {
        PrintWriter out = writer(FileDescriptor.out);
        PrintWriter err = writer(FileDescriptor.err);
        // The launcher tells which streams are terminals: Java 17 cannot tell them apart.
        String terminals = System.getProperty("catalexis.terminals", "");
        int width = Math.max(40, Integer.getInteger("catalexis.columns", Console.USUAL_WIDTH));
        boolean colour = terminals.contains("out") && System.getenv("NO_COLOR") == null;
        Console console =
                new Console(out, err, colour, terminals.contains("err"), Math.min(width, Console.USUAL_WIDTH));
        int code = run(console, args);
        out.flush();
        err.flush();
        System.exit(code);
    }

    /** UTF-8 whatever the locale says, as all our files are. */
    private static PrintWriter writer(FileDescriptor stream) {
        return new PrintWriter(new OutputStreamWriter(new FileOutputStream(stream), StandardCharsets.UTF_8), false);
    }

    /** Runs a command in this process; returns the exit code. For those who drive the commands from Java. */
    public static int run(PrintWriter out, PrintWriter err, String... args) {
        return run(Console.plain(out, err), args);
    }

    static int run(Console console, String... args) {
        Catalexis root = new Catalexis();
        CommandLine line = new CommandLine(root);
        line.setOut(console.out());
        line.setErr(console.err());
        line.setUsageHelpWidth(console.width());
        line.setUsageHelpAutoWidth(false);
        line.setCaseInsensitiveEnumValuesAllowed(true);
        // Bold and italic only: the default's yellow cannot be read on a light terminal.
        line.setColorScheme(new CommandLine.Help.ColorScheme.Builder(
                        console.colour() ? CommandLine.Help.Ansi.ON : CommandLine.Help.Ansi.OFF)
                .commands(CommandLine.Help.Ansi.Style.bold)
                .options(CommandLine.Help.Ansi.Style.bold)
                .optionParams(CommandLine.Help.Ansi.Style.italic)
                .parameters(CommandLine.Help.Ansi.Style.italic)
                .build());
        for (CommandLine sub : line.getSubcommands().values()) {
            ((Command) sub.getCommand()).setConsole(console);
        }
        line.setParameterExceptionHandler((e, given) -> root.report(console, e, WRONG_CALL));
        line.setExecutionExceptionHandler((e, given, parsed) -> root.report(console, e, FAILED));
        if (args.length == 0) {
            line.usage(console.out());
            return 0;
        }
        String unknown = unknownOption(line, args);
        if (unknown != null) {
            console.err().println("error: " + unknown);
            console.err().flush();
            return WRONG_CALL;
        }
        int code;
        try {
            code = line.execute(args);
        } catch (OutOfMemoryError e) {
            console.err()
                    .println("error: the heap of "
                            + Figures.bytes(Runtime.getRuntime().maxMemory())
                            + " is too small; give a larger one: CATALEXIS_JAVA_OPTS=-Xmx8g");
            code = FAILED;
        }
        console.out().flush();
        console.err().flush();
        return code;
    }

    /** A mistyped option is told before a missing one: looks at the names of options before picocli looks at the rest. */
    private static @org.jspecify.annotations.Nullable String unknownOption(CommandLine root, String[] args) {
        Map<String, CommandLine> commands = root.getSubcommands();
        String first = Arrays.stream(args)
                .filter(arg -> !arg.startsWith("-"))
                .findFirst()
                .orElse("");
        CommandLine line = commands.getOrDefault(first, root);
        if (line == root && !first.isEmpty()) {
            return "there is no command '" + first + "'; " + Nearest.hint(first, List.copyOf(commands.keySet()));
        }
        List<String> known = line.getCommandSpec().optionsMap().keySet().stream()
                .filter(name -> name.startsWith("--"))
                .toList();
        for (String arg : args) {
            if (arg.equals("--")) {
                break;
            }
            String name = arg.contains("=") ? arg.substring(0, arg.indexOf('=')) : arg;
            if (name.startsWith("--") && !known.contains(name)) {
                return (line == root ? "there is no option '" : first + " has no option '") + name + "'; "
                        + Nearest.hint(name, known);
            }
        }
        return null;
    }

    private int report(Console console, Exception e, int code) {
        console.out().flush();
        console.err().println("error: " + message(e));
        if (trace || Boolean.getBoolean("catalexis.trace")) {
            e.printStackTrace(console.err());
        }
        if (code == WRONG_CALL && e instanceof CommandLine.ParameterException call) {
            console.err()
                    .println("help:  " + call.getCommandLine().getCommandSpec().qualifiedName() + " --help");
        }
        console.err().flush();
        return code;
    }

    private static String message(Exception e) {
        if (e instanceof BadInputException || e instanceof CommandLine.ParameterException) {
            return String.valueOf(e.getMessage()).lines().findFirst().orElse("");
        }
        if (e instanceof AccessDeniedException denied) {
            return denied.getFile() + ": there is no permission; check who owns it";
        }
        if (e instanceof FileSystemException file) {
            return file.getFile() + ": "
                    + (file.getReason() == null ? file.getClass().getSimpleName() : file.getReason())
                    + "; check the folder and the disk";
        }
        if (e instanceof IOException || e instanceof IllegalArgumentException) {
            return String.valueOf(e.getMessage());
        }
        return "a fault of the program itself (" + e + "); please report it with what --trace shows";
    }
}
