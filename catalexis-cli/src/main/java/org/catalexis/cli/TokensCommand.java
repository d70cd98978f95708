package org.catalexis.cli;

import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.catalexis.io.project.Project;
import org.catalexis.text.Pipeline;
import org.catalexis.text.Token;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine;

@CommandLine.Command(
        name = "tokens",
        description = "Show what each step of a pipeline makes of a text, side by side.",
        footer = {"", "Example:  catalexis tokens --pipeline guide-english \"The lamps' wiring\""})
final class TokensCommand extends Command {
    @CommandLine.Mixin
    private ProjectOption projectOption = new ProjectOption();

    @CommandLine.Option(
            names = "--pipeline",
            paramLabel = "NAME",
            required = true,
            description = "A pipeline of the project file.")
    private String pipelineName = "";

    @CommandLine.Option(names = "--json", description = "Write JSON: tokens, and the tokens after each stage.")
    private boolean json;

    @CommandLine.Parameters(
            arity = "1..*",
            paramLabel = "TEXT",
            description = "The text; several are joined by a space.")
    private List<String> words = new ArrayList<>();

    /** Tells a token from others of its text, through all stages. */
    private record Cell(int position, int from, int to) {
        Cell(Token token) {
            this(token.position(), token.from(), token.to());
        }
    }

    @Override
    public Integer call() throws IOException {
        Project project = projectOption.open();
        Pipeline pipeline = project.pipeline(pipelineName);
        String text = String.join(" ", words);
        List<Pipeline.Stage> stages = pipeline.stages(text);
        if (json) {
            Map<String, @Nullable Object> shown = new LinkedHashMap<>();
            shown.put("pipeline", pipeline.name());
            shown.put("text", text);
            shown.put("tokens", json(stages.get(stages.size() - 1)));
            List<Object> each = new ArrayList<>();
            for (Pipeline.Stage stage : stages) {
                Map<String, Object> one = new LinkedHashMap<>();
                one.put("stage", stage.name());
                one.put("tokens", json(stage));
                each.add(one);
            }
            shown.put("stages", each);
            console().json(shown);
        } else {
            table(text, stages);
        }
        return 0;
    }

    private static List<Object> json(Pipeline.Stage stage) {
        List<Object> tokens = new ArrayList<>();
        for (Token token : stage.tokens()) {
            Map<String, Object> one = new LinkedHashMap<>();
            one.put("text", token.text());
            one.put("position", token.position());
            one.put("from", token.from());
            one.put("to", token.to());
            tokens.add(one);
        }
        return tokens;
    }

    private void table(String text, List<Pipeline.Stage> stages) {
        List<String> columns = new ArrayList<>(List.of(">position", ">from", ">to", "text"));
        List<Map<Cell, String>> results = new ArrayList<>();
        Set<Cell> rows = new LinkedHashSet<>();
        for (Pipeline.Stage stage : stages) {
            columns.add(stage.name());
            results.add(
                    stage.tokens().stream().collect(Collectors.toMap(Cell::new, Token::text, (a, b) -> a + " " + b)));
            stage.tokens().forEach(token -> rows.add(new Cell(token)));
        }
        Table table = new Table(columns);
        for (Cell row : rows) {
            List<String> cells = new ArrayList<>(List.of(
                    String.valueOf(row.position()),
                    String.valueOf(row.from()),
                    String.valueOf(row.to()),
                    text.substring(row.from(), row.to())));
            String before = "";
            for (Map<Cell, String> result : results) {
                String now = result.get(row);
                // Only what a step changed is written out: the eye finds it at once.
                boolean dropped = now == null && !before.isEmpty();
                cells.add(dropped ? "(dropped)" : now == null ? "" : now.equals(before) ? "·" : now);
                before = now == null ? "" : now;
            }
            table.row(cells);
        }
        table.print(console());
    }
}
