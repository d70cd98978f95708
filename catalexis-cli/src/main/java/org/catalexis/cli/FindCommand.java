package org.catalexis.cli;

import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.catalexis.document.Field;
import org.catalexis.document.Json;
import org.catalexis.document.Schema;
import org.catalexis.index.Index;
import org.catalexis.io.project.Project;
import org.catalexis.query.Query;
import org.catalexis.score.Ranker;
import org.catalexis.search.Finder;
import org.catalexis.search.Hit;
import org.catalexis.search.Ranking;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine;

@CommandLine.Command(
        name = "find",
        description = "Search: the best documents for some words, any of which may match.",
        footer = {"", "Example:  catalexis find --ranker plain --top 5 loose hinge"})
final class FindCommand extends Command {
    @CommandLine.Mixin
    private ProjectOption projectOption = new ProjectOption();

    @CommandLine.Option(
            names = "--ranker",
            paramLabel = "NAME",
            description = "Default: the first of the project file.")
    private @Nullable String rankerName;

    @CommandLine.Option(
            names = "--top",
            paramLabel = "N",
            defaultValue = "10",
            description = "How many documents to show. Default: ${DEFAULT-VALUE}.")
    private int top;

    @CommandLine.Option(
            names = "--json",
            description = "Write JSON: query, ranker, matches, exact, took_ms, hits (rank, id, score).")
    private boolean json;

    @CommandLine.Parameters(arity = "1..*", paramLabel = "WORDS", description = "What to search for.")
    private List<String> words = new ArrayList<>();

    @Override
    public Integer call() throws IOException {
        if (top < 1) {
            throw wrongCall("--top is " + top + "; ask for at least 1 document");
        }
        Project project = projectOption.open();
        Index index = projectOption.index(project, console());
        Ranker ranker = projectOption.ranker(project, index, Optional.ofNullable(rankerName));
        String query = String.join(" ", words);
        long start = System.nanoTime();
        Ranking ranking = new Finder(index, project.schema()).find(Query.words(query), ranker, top);
        double took = (System.nanoTime() - start) / 1e6;
        if (json) {
            json(query, ranker, ranking, took);
        } else {
            table(project.schema(), index, ranking, took);
        }
        return 0;
    }

    private void json(String query, Ranker ranker, Ranking ranking, double took) {
        Map<String, Object> shown = new LinkedHashMap<>();
        shown.put("query", query);
        shown.put("ranker", ranker.name());
        shown.put("matches", ranking.matches());
        shown.put("exact", ranking.exact());
        shown.put("took_ms", Math.rint(took * 1000) / 1000);
        List<Object> hits = new ArrayList<>();
        for (Hit hit : ranking.hits()) {
            Map<String, Object> one = new LinkedHashMap<>();
            one.put("rank", hit.rank());
            one.put("id", hit.id());
            one.put("score", hit.score());
            hits.add(one);
        }
        shown.put("hits", hits);
        console().json(shown);
    }

    private void table(Schema schema, Index index, Ranking ranking, double took) throws IOException {
        String headline =
                schema.textFields().stream().map(Field::name).findFirst().orElse("");
        if (ranking.hits().isEmpty()) {
            console().out().println("No document holds any of these words.");
        } else {
            Table table = new Table(">rank", ">score", "id", headline);
            for (Hit hit : ranking.hits()) {
                table.row(hit.rank(), Figures.value(hit.score()), hit.id(), stored(index, hit.id(), headline));
            }
            table.print(console());
        }
        console()
                .out()
                .println(console()
                        .dim(Figures.count(ranking.matches())
                                + (ranking.matches() == 1 ? " match" : " matches")
                                + String.format(Locale.ROOT, " in %.1f ms", took)));
    }

    private static String stored(Index index, String id, String field) throws IOException {
        Optional<String> document = index.json(id);
        Object value = document.isEmpty()
                        || !(Json.parse(document.get().getBytes(java.nio.charset.StandardCharsets.UTF_8))
                                instanceof Map<?, ?> members)
                ? null
                : members.get(field);
        return value == null ? "" : value.toString();
    }
}
