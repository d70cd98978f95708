package org.catalexis.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
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
        long documents =
                run.topics().values().stream().mapToLong(RankedList::size).sum();
        long empty =
                run.topics().values().stream().filter(list -> list.size() == 0).count();
        console()
                .out()
                .printf(
                        Locale.ROOT,
                        "%s: %s, %s, ranker '%s'; ranked in %.2f s, written in %.2f s%n",
                        out,
                        Figures.of(run.topics().size(), "topic"),
                        Figures.of(documents, "document"),
                        ranker.name(),
                        ranked,
                        written);
        if (empty > 0) {
            console()
                    .note(Figures.of(empty, "topic") + " found nothing: "
                            + run.topics().entrySet().stream()
                                    .filter(topic -> topic.getValue().size() == 0)
                                    .map(java.util.Map.Entry::getKey)
                                    .limit(5)
                                    .collect(java.util.stream.Collectors.joining(", "))
                            + (empty > 5 ? ", ..." : ""));
        }
        return 0;
    }
}
