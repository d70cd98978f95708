package org.catalexis.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.catalexis.io.judged.JudgmentsFile;
import org.catalexis.io.judged.RunFile;
import org.catalexis.io.judged.TopicsFile;
import org.catalexis.io.project.Project;
import org.catalexis.measure.Bootstrap;
import org.catalexis.measure.Evaluation;
import org.catalexis.measure.Interval;
import org.catalexis.measure.Judgments;
import org.catalexis.measure.Measure;
import org.catalexis.measure.Topics;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine;

@CommandLine.Command(
        name = "measure",
        description = "Measure runs against judgments: means over the topics, with 95 %% intervals.",
        footer = {
            "",
            "Measures: P@k, R@k, RR, AP, nDCG, nDCG[exp], bpref, Coverage@k; RR, AP and nDCG take @k too;",
            "[from=2] sets the lowest grade that counts as relevant.",
            "",
            "Example:  catalexis measure plain.run tuned.run --measures \"nDCG@10, AP\""
        })
final class MeasureCommand extends Command {
    private static final long SEED = 1;

    @CommandLine.Mixin
    private ProjectOption projectOption = new ProjectOption();

    @CommandLine.Option(
            names = "--judgments",
            paramLabel = "FILE",
            description = "Lines of 'topic 0 document grade'. Default: the project's.")
    private @Nullable Path judgmentsFile;

    @CommandLine.Option(
            names = "--measures",
            paramLabel = "LIST",
            defaultValue = "nDCG@10, AP, R@1000, Coverage@10",
            description = "Default: ${DEFAULT-VALUE}.")
    private String measureNames = "";

    @CommandLine.Option(
            names = "--topics",
            paramLabel = "FILE",
            description = "Measure these topics only: lines of 'id TAB text', or ids. Default: all that are judged.")
    private @Nullable Path topicsFile;

    @CommandLine.Option(names = "--by-topic", description = "Show each topic, too.")
    private boolean byTopic;

    @CommandLine.Option(names = "--json", description = "Write JSON: runs (run, topics, measures, byTopic).")
    private boolean json;

    @CommandLine.Parameters(arity = "1..*", paramLabel = "RUN", description = "Run files.")
    private List<Path> runs = new ArrayList<>();

    @Override
    public Integer call() throws IOException {
        List<Measure> measures;
        try {
            measures = Measure.list(measureNames);
        } catch (IllegalArgumentException e) {
            throw wrongCall(String.valueOf(e.getMessage()));
        }
        boolean inProject =
                judgmentsFile == null || Files.exists(projectOption.folder().resolve(Project.FILE));
        Topics known = inProject ? projectOption.open().topics() : new Topics(List.of());
        Judgments judgments = judgmentsFile == null
                ? projectOption.open().judgments()
                : JudgmentsFile.read(judgmentsFile, known.ids());
        Collection<String> asked = topicsFile == null
                ? judgments.topics()
                : TopicsFile.readOrSelect(topicsFile, known.ids().isEmpty() ? judged(judgments) : known)
                        .ids();
        List<Evaluation> evaluations = new ArrayList<>();
        List<double[]> columns = new ArrayList<>();
        for (Path run : runs) {
            Evaluation evaluation = Evaluation.of(RunFile.read(run), judgments, asked, measures);
            evaluations.add(evaluation);
            columns.addAll(columns(evaluation));
        }
        notes(evaluations);
        List<Interval> intervals = Bootstrap.intervals(columns, SEED); // run after run, in each the measures
        if (json) {
            json(evaluations, intervals);
        } else {
            table(evaluations, intervals);
        }
        return 0;
    }

    /** The judged topics as topics without text: a list of ids is checked against them where there is no project. */
    private static Topics judged(Judgments judgments) {
        return new Topics(judgments.topics().stream()
                .map(id -> new org.catalexis.measure.Topic(id, ""))
                .toList());
    }

    /** The values by measure, in each by topic. */
    private static List<double[]> columns(Evaluation evaluation) {
        List<double[]> columns = new ArrayList<>();
        for (int m = 0; m < evaluation.measures().size(); m++) {
            columns.add(evaluation.values(m));
        }
        return columns;
    }

    private void notes(List<Evaluation> evaluations) {
        List<String> none = evaluations.get(0).withoutRelevant();
        if (!none.isEmpty()) {
            console()
                    .note(Figures.of(none.size(), "topic") + " left out, without a relevant judgment: "
                            + Figures.some(none));
        }
        for (int r = 0; r < runs.size(); r++) {
            List<String> missing = evaluations.get(r).missing();
            if (!missing.isEmpty()) {
                console()
                        .note(runs.get(r) + " lacks " + Figures.of(missing.size(), "topic") + ", counted as 0: "
                                + Figures.some(missing));
            }
        }
    }

    private void json(List<Evaluation> evaluations, List<Interval> intervals) {
        List<Object> each = new ArrayList<>();
        int column = 0;
        for (int r = 0; r < evaluations.size(); r++) {
            Evaluation evaluation = evaluations.get(r);
            Map<String, Object> values = new LinkedHashMap<>();
            for (Measure measure : evaluation.measures()) {
                Interval interval = intervals.get(column++);
                Map<String, Object> one = new LinkedHashMap<>();
                one.put("mean", interval.mean());
                one.put("low", interval.low());
                one.put("high", interval.high());
                values.put(measure.name(), one);
            }
            Map<String, Object> run = new LinkedHashMap<>();
            run.put("run", runs.get(r).toString());
            run.put("tag", evaluation.run());
            run.put("topics", evaluation.topics().size());
            run.put("measures", values);
            if (byTopic) {
                run.put("byTopic", byTopic(evaluation));
            }
            run.put("withoutRelevant", evaluation.withoutRelevant());
            run.put("missing", evaluation.missing());
            each.add(run);
        }
        console().json(Map.of("runs", each));
    }

    private static Map<String, Object> byTopic(Evaluation evaluation) {
        Map<String, Object> topics = new LinkedHashMap<>();
        List<double[]> columns = columns(evaluation);
        for (int t = 0; t < evaluation.topics().size(); t++) {
            Map<String, Object> values = new LinkedHashMap<>();
            for (int m = 0; m < columns.size(); m++) {
                values.put(evaluation.measures().get(m).name(), columns.get(m)[t]);
            }
            topics.put(evaluation.topics().get(t), values);
        }
        return topics;
    }

    private void table(List<Evaluation> evaluations, List<Interval> intervals) {
        if (byTopic) {
            for (int r = 0; r < evaluations.size(); r++) {
                topicTable(runs.get(r), evaluations.get(r));
            }
        }
        Table table = new Table("measure", "run", ">mean", ">low", ">high", ">topics");
        int measures = evaluations.get(0).measures().size();
        for (int m = 0; m < measures; m++) { // measure by measure: runs are to be compared
            for (int r = 0; r < evaluations.size(); r++) {
                Interval interval = intervals.get(r * measures + m);
                table.row(
                        evaluations.get(r).measures().get(m).name(),
                        runs.get(r),
                        Figures.value(interval.mean()),
                        Figures.value(interval.low()),
                        Figures.value(interval.high()),
                        evaluations.get(r).topics().size());
            }
        }
        table.print(console());
        console().out().println(console().dim("low and high: 95 % bootstrap interval of the mean over topics"));
    }

    private void topicTable(Path run, Evaluation evaluation) {
        List<String> heading = new ArrayList<>(List.of(run.toString()));
        evaluation.measures().forEach(measure -> heading.add(">" + measure.name()));
        Table table = new Table(heading);
        List<double[]> columns = columns(evaluation);
        for (int t = 0; t < evaluation.topics().size(); t++) {
            List<String> cells = new ArrayList<>(List.of(evaluation.topics().get(t)));
            for (double[] column : columns) {
                cells.add(Figures.value(column[t]));
            }
            table.row(cells);
        }
        table.print(console());
        console().out().println();
    }
}
