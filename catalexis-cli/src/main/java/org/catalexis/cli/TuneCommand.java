package org.catalexis.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.catalexis.experiment.Experiment;
import org.catalexis.experiment.RankerTuning;
import org.catalexis.index.Index;
import org.catalexis.io.project.Project;
import org.catalexis.io.project.RankerSplice;
import org.catalexis.measure.Bootstrap;
import org.catalexis.measure.Comparison;
import org.catalexis.measure.Evaluation;
import org.catalexis.measure.Interval;
import org.catalexis.measure.Measure;
import org.catalexis.score.Ranker;
import org.catalexis.tune.Knob;
import org.catalexis.tune.Tuner;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine;

@CommandLine.Command(
        name = "tune",
        description = "Tune the numbers of a ranker on training topics, and tell what that does on held-out ones.",
        footer = {
            "",
            "Without --knob the ranker's own numbers are tuned over usual ranges.",
            "",
            "Example:  catalexis tune --ranker plain --measure AP --train train.txt --test test.txt --save best"
        })
final class TuneCommand extends Command {
    private static final Pattern KNOB = Pattern.compile("([^=]+)=([^=]+?)\\.\\.([^=]+)");
    private static final long INTERVAL_SEED = 1;

    /** How settings are looked for. */
    enum Method {
        ASCENT,
        GRID
    }

    @CommandLine.Mixin
    private ProjectOption projectOption = new ProjectOption();

    @CommandLine.Option(
            names = "--ranker",
            paramLabel = "NAME",
            required = true,
            description = "The ranker to begin with.")
    private String rankerName = "";

    @CommandLine.Option(names = "--measure", paramLabel = "M", required = true, description = "What to raise: nDCG@10.")
    private String measureName = "";

    @CommandLine.Option(
            names = "--train",
            paramLabel = "FILE",
            required = true,
            description = "Topics to tune on: lines of 'id TAB text', or ids of the project's topics.")
    private Path train = Path.of("");

    @CommandLine.Option(
            names = "--test",
            paramLabel = "FILE",
            required = true,
            description = "Topics that are held out. None of them may be among the training topics.")
    private Path test = Path.of("");

    @CommandLine.Option(
            names = "--knob",
            paramLabel = "PATH=LO..HI",
            description = "A number of the project file with its range: rankers.plain.score.bm25.k1=0.2..3.")
    private List<String> knobTexts = new ArrayList<>();

    @CommandLine.Option(
            names = "--method",
            paramLabel = "HOW",
            defaultValue = "ascent",
            description = "ascent (coordinate ascent with line search) or grid. Default: ${DEFAULT-VALUE}.")
    private Method method = Method.ASCENT;

    @CommandLine.Option(
            names = "--steps",
            paramLabel = "N",
            defaultValue = "5",
            description = "With --method grid: values a knob. Default: ${DEFAULT-VALUE}.")
    private int steps;

    @CommandLine.Option(
            names = "--seed",
            paramLabel = "N",
            defaultValue = "1",
            description = "The same seed gives the same trials and the same p. Default: ${DEFAULT-VALUE}.")
    private long seed;

    @CommandLine.Option(
            names = "--save",
            paramLabel = "NAME",
            description = "Write the tuned ranker into the project file under this name. Every other byte stays.")
    private @Nullable String save;

    @CommandLine.Option(names = "--json", description = "Write JSON.")
    private boolean json;

    @Override
    public Integer call() throws IOException {
        Measure measure;
        List<Knob> given;
        try {
            measure = Measure.of(measureName);
            given = knobs();
        } catch (IllegalArgumentException e) {
            throw wrongCall(String.valueOf(e.getMessage()));
        }
        if (save != null && !save.matches("[\\p{L}\\p{N}_-]+")) {
            throw wrongCall("--save is '" + save + "'; use letters, digits, - and _ for a ranker's name");
        }
        Project project = projectOption.open();
        Index index = projectOption.index(project, console());
        Ranker ranker = projectOption.ranker(project, index, Optional.of(rankerName));
        RankerTuning.Outcome outcome;
        int[] trials = new int[1];
        long start = System.nanoTime();
        try (Experiment experiment = new Experiment(
                        index, project.schema(), Runtime.getRuntime().availableProcessors());
                Progress progress = new Progress(console(), "tuning", -1, "trials", 1)) {
            RankerTuning tuning = new RankerTuning(
                    experiment,
                    project.schema(),
                    project.judgments(),
                    measure,
                    projectOption.topics(project, Optional.of(train)),
                    projectOption.topics(project, Optional.of(test)),
                    ranker);
            double[] best = {0};
            outcome = tuning.tune(
                    given.isEmpty() ? tuning.proposedKnobs() : given,
                    search(),
                    trial -> {
                        trials[0] = trial.number();
                        best[0] = Math.max(best[0], trial.value());
                        progress.step(1);
                        progress.tell("best " + Figures.value(best[0]));
                    },
                    seed);
        }
        double seconds = (System.nanoTime() - start) / 1e9;
        if (save != null) {
            RankerSplice.save(project, save, outcome.tuned());
        }
        if (json) {
            json(outcome, measure, trials[0], seconds);
        } else {
            table(outcome, measure, trials[0], seconds);
        }
        return 0;
    }

    private RankerTuning.Search search() {
        return method == Method.GRID
                ? (knobs, start, objective, watcher) -> Tuner.grid(knobs, start, objective, watcher, steps)
                : (knobs, start, objective, watcher) -> Tuner.ascend(knobs, start, objective, watcher, seed);
    }

    private List<Knob> knobs() {
        List<Knob> knobs = new ArrayList<>();
        for (String text : knobTexts) {
            Matcher parts = KNOB.matcher(text);
            try {
                if (parts.matches()) {
                    knobs.add(new Knob(
                            parts.group(1), Double.parseDouble(parts.group(2)), Double.parseDouble(parts.group(3))));
                    continue;
                }
            } catch (NumberFormatException e) {
                throw new IllegalArgumentException("--knob is '" + text + "'; LO and HI are numbers", e);
            }
            throw new IllegalArgumentException(
                    "--knob is '" + text + "'; write PATH=LO..HI, as in rankers.plain.score.bm25.k1=0.2..3");
        }
        return knobs;
    }

    private static List<Interval> intervals(RankerTuning.Outcome outcome) {
        List<Interval> train = Bootstrap.intervals(
                List.of(outcome.trainBefore().values(0), outcome.trainAfter().values(0)), INTERVAL_SEED);
        List<Interval> test = Bootstrap.intervals(
                List.of(outcome.testBefore().values(0), outcome.testAfter().values(0)), INTERVAL_SEED);
        return List.of(train.get(0), train.get(1), test.get(0), test.get(1));
    }

    private void table(RankerTuning.Outcome outcome, Measure measure, int trials, double seconds) {
        Table knobs = new Table("knob", ">from", ">to", ">was", ">tuned");
        for (int k = 0; k < outcome.knobs().size(); k++) {
            Knob knob = outcome.knobs().get(k);
            knobs.row(
                    knob.path(),
                    knob.low(),
                    knob.high(),
                    outcome.start().get(k),
                    outcome.best().setting().get(k));
        }
        knobs.print(console());
        console().out().println();
        List<Interval> intervals = intervals(outcome);
        Table means = new Table(measure.name(), ">topics", ">untouched", "", ">tuned", "");
        row(means, "training", outcome.trainBefore(), intervals.get(0), intervals.get(1));
        row(means, "held out", outcome.testBefore(), intervals.get(2), intervals.get(3));
        means.print(console());
        Comparison test = outcome.heldOut();
        console().out().println();
        console().out().println(console().bold("Held out: " + outcome.verdict() + "."));
        console()
                .out()
                .printf(
                        Locale.ROOT,
                        "Difference %+.4f, paired randomisation test p = %.4f; %s won, %d lost, %d tied.%n",
                        test.difference(),
                        test.p(),
                        Figures.of(test.won(), "topic"),
                        test.lost(),
                        test.tied());
        console()
                .out()
                .println(console()
                        .dim(String.format(
                                Locale.ROOT, "%s in %.1f s, seed %d", Figures.of(trials, "trial"), seconds, seed)));
        if (save != null) {
            console().out().println("Saved as ranker '" + save + "' in the project file.");
        }
    }

    private static void row(Table table, String which, Evaluation evaluation, Interval before, Interval after) {
        table.row(
                which,
                evaluation.topics().size(),
                Figures.value(before.mean()),
                range(before),
                Figures.value(after.mean()),
                range(after));
    }

    private static String range(Interval interval) {
        return "[" + Figures.value(interval.low()) + ", " + Figures.value(interval.high()) + "]";
    }

    private void json(RankerTuning.Outcome outcome, Measure measure, int trials, double seconds) {
        List<Object> knobs = new ArrayList<>();
        for (int k = 0; k < outcome.knobs().size(); k++) {
            Map<String, Object> knob = new LinkedHashMap<>();
            knob.put("path", outcome.knobs().get(k).path());
            knob.put("low", outcome.knobs().get(k).low());
            knob.put("high", outcome.knobs().get(k).high());
            knob.put("was", outcome.start().get(k));
            knob.put("tuned", outcome.best().setting().get(k));
            knobs.add(knob);
        }
        List<Interval> intervals = intervals(outcome);
        Comparison test = outcome.heldOut();
        Map<String, Object> shown = new LinkedHashMap<>();
        shown.put("measure", measure.name());
        shown.put("method", method.name().toLowerCase(Locale.ROOT));
        shown.put("seed", seed);
        shown.put("trials", trials);
        shown.put("seconds", Math.rint(seconds * 1000) / 1000);
        shown.put("knobs", knobs);
        shown.put("train", pair(outcome.trainBefore(), intervals.get(0), intervals.get(1)));
        shown.put("test", pair(outcome.testBefore(), intervals.get(2), intervals.get(3)));
        shown.put("difference", test.difference());
        shown.put("p", test.p());
        shown.put("won", test.won());
        shown.put("lost", test.lost());
        shown.put("tied", test.tied());
        shown.put("verdict", outcome.verdict());
        shown.put("ranker", outcome.tuned().plain());
        console().json(shown);
    }

    private static Map<String, Object> pair(Evaluation evaluation, Interval before, Interval after) {
        Map<String, Object> pair = new LinkedHashMap<>();
        pair.put("topics", evaluation.topics().size());
        pair.put("untouched", interval(before));
        pair.put("tuned", interval(after));
        return pair;
    }

    private static Map<String, Object> interval(Interval interval) {
        Map<String, Object> values = new LinkedHashMap<>();
        values.put("mean", interval.mean());
        values.put("low", interval.low());
        values.put("high", interval.high());
        return values;
    }
}
