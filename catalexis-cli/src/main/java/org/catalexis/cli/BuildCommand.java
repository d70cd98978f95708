package org.catalexis.cli;

import java.io.BufferedWriter;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.catalexis.index.BuildSummary;
import org.catalexis.index.IndexBuilder;
import org.catalexis.io.documents.Faults;
import org.catalexis.io.documents.JsonLines;
import org.catalexis.io.project.Project;
import org.catalexis.settings.BadInputException;
import org.catalexis.settings.Place;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine;

@CommandLine.Command(
        name = "build",
        description = "Read the documents and build the index, beside the project file in 'index'.",
        footer = {"", "Example:  catalexis build --project mendery --memory 512m"})
final class BuildCommand extends Command {
    private static final Pattern SIZE = Pattern.compile("(\\d{1,9})([kmg]?)");

    @CommandLine.Mixin
    private ProjectOption projectOption = new ProjectOption();

    @CommandLine.Option(
            names = "--memory",
            paramLabel = "SIZE",
            description = "Inverted text that is held in memory before a segment is written: 64m, 2g."
                    + " Default: a quarter of the heap. Results do not depend on it.")
    private @Nullable String memory;

    @CommandLine.Option(
            names = "--threads",
            paramLabel = "N",
            description = "Threads that invert. Default: one for each processor. Results do not depend on it.")
    private int threads = Runtime.getRuntime().availableProcessors();

    @CommandLine.Option(
            names = "--skip-bad",
            description = "Build from the documents that are right, and keep the others in 'rejected.jsonl'.")
    private boolean skipBad;

    @CommandLine.Option(
            names = "--json",
            description = "Write JSON: documents, tokens, segments, bytes, seconds, unsearched, rejected, cutTokens.")
    private boolean json;

    @Override
    public Integer call() throws IOException {
        long start = System.nanoTime();
        IndexBuilder.Options options = options();
        Project project = projectOption.open();
        List<Path> files = project.documents();
        long bytes = 0;
        for (Path file : files) {
            bytes += Files.isRegularFile(file) ? Files.size(file) : 0;
        }
        Path rejects = project.folder().resolve("rejected.jsonl");
        try (BufferedWriter rejectsOut = skipBad ? Files.newBufferedWriter(rejects) : null;
                IndexBuilder builder = IndexBuilder.open(project.indexFolder(), project.schema(), options)) {
            Faults faults = rejectsOut == null ? new Faults() : new Faults(rejectsOut);
            JsonLines reader = new JsonLines(project.schema(), project.only(), faults);
            try (Progress progress = new Progress(console(), "reading", bytes, "MB", 1 << 20)) {
                for (Path file : files) {
                    reader.read(file, builder::add, progress::step);
                }
                if (faults.isEmpty()) {
                    builder.repeatedIds(Faults.MOST).forEach(faults::add);
                }
            }
            if (!faults.isEmpty()) {
                return refuse(faults);
            }
            refuseEmpty(reader, files);
            BuildSummary summary = builder.commit();
            report(project, reader, faults, summary, bytes, (System.nanoTime() - start) / 1e9);
            return 0;
        } finally {
            if (skipBad && Files.exists(rejects) && Files.size(rejects) == 0) {
                Files.delete(rejects);
            }
        }
    }

    private IndexBuilder.Options options() {
        if (threads < 1 || threads > 1024) {
            throw wrongCall("--threads is " + threads + "; give a number from 1 to 1024");
        }
        long size = IndexBuilder.Options.DEFAULT.memory();
        if (memory != null) {
            Matcher parts = SIZE.matcher(memory.toLowerCase(Locale.ROOT));
            if (!parts.matches()) {
                throw wrongCall("--memory is '" + memory + "'; write a size like 64m or 2g");
            }
            size = Long.parseLong(parts.group(1))
                    << 10 * " kmg".indexOf(parts.group(2).isEmpty() ? " " : parts.group(2));
            if (size < 1 << 20) {
                throw wrongCall("--memory is '" + memory + "'; give at least 1m");
            }
            long heap = Runtime.getRuntime().maxMemory();
            if (size > heap / 2) {
                throw wrongCall("--memory is '" + memory + "', more than half of the heap of " + Figures.bytes(heap)
                        + "; give less, or a larger heap: CATALEXIS_JAVA_OPTS=-Xmx8g");
            }
        }
        return new IndexBuilder.Options(size, threads);
    }

    private int refuse(Faults faults) {
        for (BadInputException fault : faults.list()) {
            console().err().println("error: " + fault.getMessage());
        }
        console()
                .err()
                .println("nothing was built: " + faults.list().size() + (faults.isFull() ? " or more" : "")
                        + " faults; the last index, if there is one, is as it was (--skip-bad builds from the rest)");
        return 1;
    }

    private static void refuseEmpty(JsonLines reader, List<Path> files) {
        if (reader.documents() == 0) {
            throw new BadInputException(
                    Place.of(files.stream().map(Path::toString).collect(Collectors.joining(", "))),
                    "no document is left to be built",
                    "check the files, and the list that 'only' names");
        }
    }

    private void report(
            Project project, JsonLines reader, Faults faults, BuildSummary summary, long bytes, double seconds) {
        if (json) {
            Map<String, Object> shown = new LinkedHashMap<>();
            shown.put("documents", summary.documents());
            shown.put("tokens", summary.tokens());
            shown.put("segments", summary.segments());
            shown.put("bytes", summary.bytes());
            shown.put("seconds", Math.rint(seconds * 1000) / 1000);
            shown.put("unsearched", reader.unsearched());
            shown.put("rejected", faults.rejected());
            shown.put("cutTokens", summary.cutTokens());
            console().json(shown);
        } else {
            table(project, summary, bytes, seconds);
        }
        notes(project, reader, faults, summary);
    }

    private void table(Project project, BuildSummary summary, long bytes, double seconds) {
        Table table = new Table("what", ">how much");
        table.row("documents", Figures.count(summary.documents()));
        summary.tokens().forEach((field, tokens) -> table.row("tokens in " + field, Figures.count(tokens)));
        table.row("index", Figures.bytes(summary.bytes()) + " in " + Figures.of(summary.segments(), "segment"));
        table.row("time", String.format(Locale.ROOT, "%.2f s", seconds));
        table.row(
                "speed",
                String.format(Locale.ROOT, "%,.0f documents/s, ", summary.documents() / seconds)
                        + Figures.bytes((long) (bytes / seconds)) + "/s"
                        + (project.documents().stream()
                                        .anyMatch(file -> file.toString().endsWith(".gz"))
                                ? " packed"
                                : ""));
        table.print(console());
    }

    private void notes(Project project, JsonLines reader, Faults faults, BuildSummary summary) {
        Map<String, Long> unsearched = reader.unsearched();
        if (!unsearched.isEmpty()) {
            List<String> names = new ArrayList<>(unsearched.keySet());
            console()
                    .note(Figures.of(names.size(), "member")
                            + " of the documents kept but not searched, as no field has the"
                            + " name: " + Figures.some(names));
        }
        if (!reader.missing().isEmpty()) {
            Optional<String> one = reader.missing().stream().sorted().findFirst();
            console()
                    .note("'only' names " + Figures.of(reader.missing().size(), "id") + " that no document bears: "
                            + one.orElse("") + (reader.missing().size() > 1 ? ", ..." : ""));
        }
        if (summary.cutTokens() > 0) {
            console().note(Figures.of(summary.cutTokens(), "token") + " longer than 10,922 characters were cut");
        }
        if (faults.rejected() > 0) {
            console()
                    .note(Figures.of(faults.rejected(), "line") + " rejected; see "
                            + project.folder().resolve("rejected.jsonl"));
        }
    }
}
