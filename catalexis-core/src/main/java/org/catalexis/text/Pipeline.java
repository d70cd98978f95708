package org.catalexis.text;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.catalexis.settings.Nearest;
import org.catalexis.settings.Settings;

/**
 * How a text becomes tokens: folds rewrite its characters, one splitter cuts it, steps change the tokens. A definition,
 * immutable and shared by all threads; {@link #reader} makes what does the work.
 *
 * <pre>{@code
 * Pipeline english = Pipeline.of("english", Settings.of(place, Map.of(
 *     "fold", List.of("case", "accents"), "split", "words", "steps", List.of(Map.of("stem", "porter2")))));
 * english.tokens("Loose hinges"); // loos, hing
 * }</pre>
 *
 * @since 0.1
 */
public final class Pipeline {
    private static final Map<String, Splitter> SPLITTERS =
            Map.of("words", new WordSplitter(), "alphanumeric", new AlphanumericSplitter());
    private static final List<String> STEPS = List.of("possessive", "stop", "stem", "fold");

    private final String name;
    private final List<Fold> folds;
    private final Splitter splitter;
    private final List<Step> steps;

    private Pipeline(String name, List<Fold> folds, Splitter splitter, List<Step> steps) {
        this.name = name;
        this.folds = List.copyOf(folds);
        this.splitter = splitter;
        this.steps = List.copyOf(steps);
    }

    /**
     * Reads a definition: {@code fold} (a list of {@code case}, {@code accents}), {@code split} ({@code words} or
     * {@code alphanumeric}; {@code words} if absent), {@code steps} (a list of {@code possessive},
     * {@code {stop: english}}, {@code {stem: porter2}}, {@code {fold: accents}}).
     *
     * @throws org.catalexis.settings.BadInputException if it holds something else
     */
    public static Pipeline of(String name, Settings definition) {
        definition.allowOnly("fold", "split", "steps");
        List<Fold> folds = new ArrayList<>();
        definition.find("fold").ifPresent(list -> list.items()
                .forEach(item -> folds.add(item.choice(sorted(Fold.BY_NAME)))));
        Splitter splitter = definition
                .find("split")
                .map(item -> item.choice(sorted(SPLITTERS)))
                .orElseGet(() -> new WordSplitter());
        List<Step> steps = new ArrayList<>();
        definition.find("steps").ifPresent(list -> list.items().forEach(item -> steps.add(step(item))));
        return new Pipeline(name, folds, splitter, steps);
    }

    private static Step step(Settings item) {
        return item.named((word, argument) -> switch (word) {
            case "possessive" -> new PossessiveStep();
            case "stop" -> argued(item, word, argument, "english").choice(sorted(StopStep.BY_NAME));
            case "stem" -> new StemStep(argued(item, word, argument, "porter2").choice(sorted(StemStep.STEMMERS)));
            case "fold" -> new FoldStep(argued(item, word, argument, "accents").choice(sorted(Fold.BY_NAME)));
            default -> throw item.fault("has the unknown step '" + word + "'", Nearest.hint(word, STEPS));
        });
    }

    private static Settings argued(Settings item, String step, Optional<Settings> argument, String example) {
        return argument.orElseThrow(
                () -> item.fault("names the step '" + step + "' alone", "write {" + step + ": " + example + "}"));
    }

    private static <T> Map<String, T> sorted(Map<String, T> choices) {
        return new TreeMap<>(choices);
    }

    /** The name in the project file. */
    public String name() {
        return name;
    }

    List<Fold> folds() {
        return folds;
    }

    Splitter splitter() {
        return splitter;
    }

    List<Step> steps() {
        return steps;
    }

    /** A reader for the use of one thread. */
    public TokenReader reader() {
        return new TokenReader(this);
    }

    /** The tokens of {@code text}, in the form for people. */
    public List<Token> tokens(String text) {
        List<Token> tokens = new ArrayList<>();
        TokenReader reader = reader();
        reader.begin(text);
        for (TokenBatch batch = reader.next(); batch != null; batch = reader.next()) {
            for (int i = 0; i < batch.size(); i++) {
                tokens.add(new Token(batch.text(i), batch.position(i), batch.from(i), batch.to(i)));
            }
        }
        return tokens;
    }

    /**
     * The tokens of {@code text} after each stage: first after the folds and the splitter, then after each step.
     */
    public List<Stage> stages(String text) {
        List<Stage> stages = new ArrayList<>();
        for (int n = 0; n <= steps.size(); n++) {
            String stage = n == 0
                    ? Stream.concat(folds.stream().map(Fold::name), Stream.of(splitter.name()))
                            .collect(Collectors.joining(", "))
                    : steps.get(n - 1).definition();
            Pipeline soFar = new Pipeline(name, folds, splitter, steps.subList(0, n));
            stages.add(new Stage(stage, soFar.tokens(text)));
        }
        return stages;
    }

    /**
     * What a stage of a pipeline left.
     *
     * @param name of the first stage the folds and the splitter, of the others the step's definition
     * @param tokens the tokens after it
     */
    public record Stage(String name, List<Token> tokens) {
        /** Copies the list. */
        public Stage {
            tokens = List.copyOf(tokens);
        }
    }

    /** The whole definition in one line; equal lines make equal tokens. What an index keeps, to know when it is stale. */
    public String definition() {
        return "fold: [" + folds.stream().map(Fold::name).collect(Collectors.joining(", ")) + "], split: "
                + splitter.name() + ", steps: ["
                + steps.stream().map(Step::identity).collect(Collectors.joining(", ")) + "]";
    }
}
