package org.catalexis.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.catalexis.experiment.Experiment;
import org.catalexis.index.Index;
import org.catalexis.io.judged.RunFile;
import org.catalexis.io.project.Project;
import org.catalexis.measure.RankedList;
import org.catalexis.measure.Run;
import org.catalexis.measure.Topics;
import org.catalexis.score.Ranker;
import org.catalexis.settings.BadInputException;
import org.catalexis.settings.Place;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine;

@CommandLine.Command(
        name = "rank",
        description = "Rank all topics and write a run: lines of 'topic Q0 document rank score tag'.",
        footer = {"", "Example:  catalexis rank --ranker plain --out plain.run"})
final class RankCommand extends Command {
    @CommandLine.Mixin
    private ProjectOption projectOption = new ProjectOption();

    @CommandLine.Option(
            names = "--ranker",
            paramLabel = "NAME",
            description = "Default: the first of the project file. The run's tag is its name.")
    private @Nullable String rankerName;

    @CommandLine.Option(
            names = "--topics",
            paramLabel = "FILE",
            description =
                    "Topics as 'id TAB text', or ids of the project's topics, one a line. Default: all of the project's.")
    private @Nullable Path topicsFile;

    @CommandLine.Option(
            names = "--top",
            paramLabel = "N",
            defaultValue = "1000",
            description = "The most documents for a topic. Default: ${DEFAULT-VALUE}.")
    private int top;

    @CommandLine.Option(
            names = "--threads",
            paramLabel = "N",
            description = "Default: one for each processor. The run does not depend on it.")
    private int threads = Runtime.getRuntime().availableProcessors();

    @CommandLine.Option(names = "--out", paramLabel = "RUN", required = true, description = "The file to write.")
    private Path out = Path.of("");

    @CommandLine.Option(
            names = "--json",
            description = "Tell in JSON what was written: run, ranker, topics, documents, empty, seconds.")
    private boolean json;

    @Override
    public Integer call() throws IOException {
        if (top < 1 || threads < 1) {
            throw wrongCall(
                    top < 1
                            ? "--top is " + top + "; ask for at least 1 document"
                            : "--threads is " + threads + "; give at least 1");
        }
        Project project = projectOption.open();
        Index index = projectOption.index(project, console());
        Ranker ranker = projectOption.ranker(project, index, Optional.ofNullable(rankerName));
        Topics topics = projectOption.topics(project, Optional.ofNullable(topicsFile));
        Path folder = out.toAbsolutePath().getParent();
        if (folder == null || !Files.isDirectory(folder)) {
            throw new BadInputException(Place.of(out.toString()), "its folder does not exist", "make the folder first");
        }
        long start = System.nanoTime();
        Run run;
        try (Experiment experiment = new Experiment(index, project.schema(), threads);
                Progress progress =
                        new Progress(console(), "ranking", topics.ids().size(), "topics", 1)) {
            run = experiment.rank(ranker, topics, top, done -> progress.step(1));
        }
        double ranked = (System.nanoTime() - start) / 1e9;
        RunFile.write(out, run);
        double written = (System.nanoTime() - start) / 1e9 - ranked;
        report(run, ranked, written);
        return 0;
    }

    private void report(Run run, double ranked, double written) {
        long documents =
                run.topics().values().stream().mapToLong(RankedList::size).sum();
        List<String> empty = run.topics().entrySet().stream()
                .filter(topic -> topic.getValue().size() == 0)
                .map(Map.Entry::getKey)
                .toList();
        if (json) {
            Map<String, Object> shown = new LinkedHashMap<>();
            shown.put("run", out.toString());
            shown.put("ranker", run.tag());
            shown.put("topics", run.topics().size());
            shown.put("documents", documents);
            shown.put("empty", empty);
            shown.put("seconds", Math.rint((ranked + written) * 1000) / 1000);
            console().json(shown);
        } else {
            console()
                    .out()
                    .printf(
                            Locale.ROOT,
                            "%s: %s, %s, ranker '%s'; ranked in %.2f s, written in %.2f s%n",
                            out,
                            Figures.of(run.topics().size(), "topic"),
                            Figures.of(documents, "document"),
                            run.tag(),
                            ranked,
                            written);
        }
        if (!empty.isEmpty()) {
            console().note(Figures.of(empty.size(), "topic") + " found nothing: " + Figures.some(empty));
        }
    }
}
