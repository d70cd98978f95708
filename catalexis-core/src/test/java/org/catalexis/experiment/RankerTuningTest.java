package org.catalexis.experiment;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.catalexis.document.Document;
import org.catalexis.document.Field;
import org.catalexis.document.Schema;
import org.catalexis.index.Index;
import org.catalexis.index.Indexes;
import org.catalexis.measure.Judgment;
import org.catalexis.measure.Judgments;
import org.catalexis.measure.Measure;
import org.catalexis.measure.Run;
import org.catalexis.measure.Topic;
import org.catalexis.measure.Topics;
import org.catalexis.score.Bm25;
import org.catalexis.score.Ranker;
import org.catalexis.settings.Place;
import org.catalexis.settings.Settings;
import org.catalexis.text.Pipeline;
import org.catalexis.tune.Knob;
import org.catalexis.tune.Tuner;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * A collection in which the title tells the truth and the body lies: for each of 24 things there is a document that has it in
 * its title, and one that repeats it in its body. Only the first is relevant, so that a high title weight is right.
 */
class RankerTuningTest {
    private static final int THINGS = 24;
    private static final Pipeline PLAIN = Pipeline.of("plain", Settings.of(Place.of("test"), Map.of()));
    private static final Schema SCHEMA = Schema.of(Field.text("title", PLAIN), Field.text("body", PLAIN));
    private static final RankerTuning.Search ASCENT =
            (knobs, start, objective, watcher) -> Tuner.ascend(knobs, start, objective, watcher, 1);

    @TempDir
    private Path folder = Path.of("");

    private static Ranker ranker(double title) {
        Map<String, Double> weights = new LinkedHashMap<>();
        weights.put("title", title);
        weights.put("body", 1.0);
        return new Ranker("plain", Bm25.DEFAULT, weights);
    }

    private Index index() throws IOException {
        List<Document> documents = new ArrayList<>();
        for (int i = 0; i < THINGS; i++) {
            documents.add(Document.of("good" + i).with("title", "thing" + i).with("body", "other words"));
            documents.add(Document.of("bad" + i).with("title", "words").with("body", ("thing" + i + " ").repeat(3)));
        }
        return Indexes.build(folder, SCHEMA, documents.toArray(Document[]::new));
    }

    private static Topics topics(int from, int to) {
        List<Topic> topics = new ArrayList<>();
        for (int i = from; i < to; i++) {
            topics.add(new Topic("t" + i, "thing" + i));
        }
        return new Topics(topics);
    }

    private static Judgments judgments() {
        List<Judgment> judgments = new ArrayList<>();
        for (int i = 0; i < THINGS; i++) {
            judgments.add(new Judgment("t" + i, "good" + i, 1));
        }
        return new Judgments(judgments);
    }

    @Test
    void findsTheWeightThatIsRightAndTellsItOnHeldOutTopics() throws IOException {
        try (Experiment experiment = new Experiment(index(), SCHEMA, 2)) {
            RankerTuning tuning = new RankerTuning(
                    experiment, SCHEMA, judgments(), Measure.of("RR"), topics(0, 12), topics(12, THINGS), ranker(0.1));
            List<Knob> knobs = tuning.proposedKnobs();
            assertThat(knobs.stream().map(Knob::path))
                    .containsExactly(
                            "rankers.plain.score.bm25.k1", "rankers.plain.score.bm25.b", "rankers.plain.fields.title");
            RankerTuning.Outcome outcome = tuning.tune(knobs, ASCENT, trial -> {}, 1);
            assertThat(outcome.trainBefore().mean(0)).isEqualTo(0.5);
            assertThat(outcome.trainAfter().mean(0)).isEqualTo(1.0);
            assertThat(outcome.testAfter().mean(0)).isEqualTo(1.0);
            assertThat(outcome.heldOut().won()).isEqualTo(12);
            assertThat(outcome.heldOut().p()).isEqualTo(2.0 / 4096);
            assertThat(outcome.verdict()).isEqualTo("better");
        }
    }

    @Test
    void saysThatThereIsNoEvidenceWhereNothingCanBeWon() throws IOException {
        try (Experiment experiment = new Experiment(index(), SCHEMA, 1)) {
            RankerTuning tuning = new RankerTuning(
                    experiment, SCHEMA, judgments(), Measure.of("RR"), topics(0, 12), topics(12, THINGS), ranker(9));
            RankerTuning.Outcome outcome = tuning.tune(tuning.proposedKnobs(), ASCENT, trial -> {}, 1);
            assertThat(outcome.verdict()).isEqualTo("no evidence that it is better");
            assertThat(outcome.tuned()).isEqualTo(ranker(9));
        }
    }

    @Test
    void aRunHasATopicForEachAndDoesNotDependOnTheThreads() throws IOException {
        Index index = index();
        Topics topics =
                new Topics(List.of(new Topic("x", "thing3"), new Topic("none", "nothing"), new Topic("y", "words")));
        List<Run> runs = new ArrayList<>();
        for (int threads : new int[] {1, 4}) {
            try (Experiment experiment = new Experiment(index, SCHEMA, threads)) {
                List<Integer> done = java.util.Collections.synchronizedList(new ArrayList<>());
                Run run = experiment.rank(ranker(1), topics, 5, done::add);
                assertThat(done).containsExactlyInAnyOrder(1, 2, 3);
                runs.add(run);
            }
        }
        assertThat(runs.get(0).topics().keySet()).containsExactly("x", "none", "y");
        assertThat(runs.get(0).of("none").size()).isZero();
        assertThat(runs.get(0).of("y").documents())
                .hasSize(5)
                .isEqualTo(runs.get(1).of("y").documents());
    }

    @Test
    void knobsMustBeNumbersOfTheRankerWithinWhatThoseMayBe() throws IOException {
        try (Experiment experiment = new Experiment(index(), SCHEMA, 1)) {
            RankerTuning tuning = new RankerTuning(
                    experiment, SCHEMA, judgments(), Measure.of("RR"), topics(0, 2), topics(2, 4), ranker(1));
            Knob beyond = new Knob("rankers.plain.score.bm25.b", 0, 2);
            assertThatThrownBy(() -> tuning.tune(List.of(beyond), ASCENT, trial -> {}, 1))
                    .hasMessage("ranker plain: 'rankers.plain.score.bm25.b' is '2.0'; write a number from 0 to 1");
            assertThatThrownBy(() -> new RankerTuning(
                            experiment,
                            SCHEMA,
                            new Judgments(List.of()),
                            Measure.of("RR"),
                            topics(0, 2),
                            topics(2, 4),
                            ranker(1)))
                    .hasMessage(
                            "none of the 2 training topics has a relevant judgment; nothing can be measured on them");
        }
    }
}
