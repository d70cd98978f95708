package org.catalexis.cli;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.catalexis.mendery.Mendery;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine;

@CommandLine.Command(
        name = "demo",
        description = "Unpack the demo collection, repair guides of the Mendery, and go once round the loop.",
        footer = {"", "Example:  catalexis demo"})
final class DemoCommand extends Command {
    @CommandLine.Parameters(
            arity = "0..1",
            paramLabel = "DIR",
            description = "The folder to make. Default: 'mendery', or the next free 'mendery-2', ...")
    private @Nullable Path folder;

    /** One station of the loop: the command as one would type it, and what to look at in what it shows. */
    private record Station(String see, List<String> call) {
        Station(String see, String... call) {
            this(see, List.of(call));
        }
    }

    @Override
    public Integer call() throws IOException {
        Path made = make();
        String project = made.toString();
        for (String file : Mendery.FILES) {
            Path target = made.resolve(file);
            Files.createDirectories(java.util.Objects.requireNonNull(target.getParent()));
            try (InputStream in = Mendery.open(file)) {
                Files.copy(in, target);
            }
        }
        console().out().println("Unpacked the Mendery (40 repair guides, 12 topics, judgments) to " + made + "\n");
        for (Station station : stations(project)) {
            console().out().println(console().bold("$ catalexis " + shown(station.call)));
            int code = Catalexis.run(console(), station.call.toArray(String[]::new));
            if (code != 0) {
                return code;
            }
            console().out().println("\n  " + station.see + "\n");
        }
        console()
                .out()
                .println("Next: open " + made.resolve("catalexis.yaml") + ", change a number, and go round again.");
        return 0;
    }

    private Path make() throws IOException {
        if (folder != null) {
            if (Files.exists(folder)) {
                throw wrongCall("'" + folder + "' is there already; name a folder that is not, nothing is overwritten");
            }
            return Files.createDirectories(folder);
        }
        Path free = Path.of("mendery");
        for (int n = 2; Files.exists(free); n++) {
            free = Path.of("mendery-" + n);
        }
        return Files.createDirectories(free);
    }

    private static List<Station> stations(String project) {
        Path run = Path.of(project, "plain.run");
        Path tuned = Path.of(project, "tuned.run");
        String train = Path.of(project, "data", "train.txt").toString();
        String test = Path.of(project, "data", "test.txt").toString();
        List<Station> stations = new ArrayList<>();
        stations.add(new Station(
                "A row a token, a column a step: 'lamps' loses its apostrophe and its s, 'the' is dropped.",
                "tokens",
                "--project",
                project,
                "--pipeline",
                "guide-english",
                "The lamps' flickering bulbs"));
        stations.add(new Station(
                "The index is in " + Path.of(project, "index") + ", whole or not at all.",
                "build",
                "--project",
                project));
        stations.add(new Station(
                "df documents hold the term, cf times in all; 'hinges' was asked for, 'hing' is the term.",
                "peek",
                "--project",
                project,
                "term",
                "body:hinges"));
        stations.add(new Station(
                "By the ranker 'plain', which counts all three fields alike: tuning will change that.",
                "find",
                "--project",
                project,
                "--top",
                "5",
                "squeaky hinge"));
        stations.add(new Station(
                "A run: the ranked documents of every topic, in the format that all tools of the trade read.",
                "rank",
                "--project",
                project,
                "--ranker",
                "plain",
                "--out",
                run.toString()));
        stations.add(new Station(
                "With few topics the intervals are wide: that is the honest part.",
                "measure",
                "--project",
                project,
                run.toString()));
        stations.add(new Station(
                "Six held-out topics prove little: believe the verdict, not the means. The ranker is now in the project file.",
                "tune",
                "--project",
                project,
                "--ranker",
                "plain",
                "--measure",
                "AP",
                "--train",
                train,
                "--test",
                test,
                "--save",
                "tuned"));
        stations.add(new Station(
                "The tuned ranker ranks like any other.",
                "rank",
                "--project",
                project,
                "--ranker",
                "tuned",
                "--out",
                tuned.toString()));
        stations.add(new Station(
                "Both over the same topics, held out and trained on: read 'held out' above before you believe it.",
                "measure",
                "--project",
                project,
                run.toString(),
                tuned.toString(),
                "--measures",
                "nDCG@10, AP"));
        return stations;
    }

    private static String shown(List<String> call) {
        List<String> words = new ArrayList<>();
        for (String word : call) {
            words.add(word.matches("[\\w./:@=-]+") ? word : "\"" + word + "\"");
        }
        return String.join(" ", words);
    }
}
