package org.catalexis.cli;

import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.catalexis.index.FieldCounts;
import org.catalexis.index.Index;
import org.catalexis.index.TermCounts;
import org.catalexis.io.project.Project;
import org.catalexis.settings.Nearest;
import org.catalexis.text.Token;
import picocli.CommandLine;

@CommandLine.Command(
        name = "peek",
        description = "Look into the index: its sizes and fields, or one term.",
        footer = {"", "Examples:  catalexis peek", "           catalexis peek term body:hinges"})
final class PeekCommand extends Command {
    @CommandLine.Mixin
    private ProjectOption projectOption = new ProjectOption();

    @CommandLine.Option(names = "--json", description = "Write JSON.")
    private boolean json;

    @CommandLine.Parameters(
            arity = "0..2",
            paramLabel = "WHAT",
            description = "Nothing for the whole index; or 'term FIELD:WORD' for how often a word stands in a field,"
                    + " after the field's pipeline.")
    private List<String> what = new ArrayList<>();

    @Override
    public Integer call() throws IOException {
        Project project = projectOption.open();
        Index index = projectOption.index(project, console());
        if (what.isEmpty()) {
            whole(index);
        } else if (what.size() == 2 && what.get(0).equals("term") && what.get(1).contains(":")) {
            term(project, index, what.get(1));
        } else {
            throw wrongCall("cannot peek at '" + String.join(" ", what) + "'; write nothing, or: term FIELD:WORD");
        }
        return 0;
    }

    private void whole(Index index) {
        Map<String, Object> shown = new LinkedHashMap<>();
        shown.put("documents", index.documents());
        shown.put("segments", index.segments().size());
        shown.put("bytes", index.bytes());
        shown.put("generation", index.generation());
        shown.put("built", index.built());
        List<Object> fields = new ArrayList<>();
        Table fieldTable = new Table("field", ">documents", ">tokens", ">mean length", ">terms");
        for (String name : index.textFields()) {
            FieldCounts counts = index.fieldCounts(name);
            long terms = index.distinctTerms(name);
            Map<String, Object> field = new LinkedHashMap<>();
            field.put("name", name);
            field.put("documents", counts.documents());
            field.put("tokens", counts.tokens());
            field.put("meanLength", counts.averageLength());
            field.put("terms", terms);
            fields.add(field);
            fieldTable.row(
                    name,
                    Figures.count(counts.documents()),
                    Figures.count(counts.tokens()),
                    String.format(Locale.ROOT, "%.1f", counts.averageLength()),
                    Figures.count(terms));
        }
        shown.put("fields", fields);
        shown.put("sections", index.sectionBytes());
        if (json) {
            console().json(shown);
            return;
        }
        Table table = new Table("what", ">how much");
        table.row("documents", Figures.count(index.documents()));
        table.row("segments", index.segments().size());
        table.row("size", Figures.bytes(index.bytes()));
        table.row("built", index.built());
        table.print(console());
        console().out().println();
        fieldTable.print(console());
        console().out().println();
        sections(index).print(console());
    }

    /** Bytes by section; those that each field has stand in one row, a column a field. */
    private static Table sections(Index index) {
        List<String> fields = index.textFields();
        List<String> heading = new ArrayList<>(List.of("bytes in section"));
        fields.forEach(field -> heading.add(">" + field));
        heading.addAll(List.of(">all", ">share"));
        Map<String, Map<String, Long>> rows = new LinkedHashMap<>();
        index.sectionBytes().forEach((name, bytes) -> {
            int slash = name.indexOf('/');
            rows.computeIfAbsent(slash < 0 ? name : name.substring(0, slash), any -> new LinkedHashMap<>())
                    .put(slash < 0 ? "" : name.substring(slash + 1), bytes);
        });
        Table table = new Table(heading);
        rows.forEach((section, byField) -> {
            List<String> cells = new ArrayList<>(List.of(section));
            for (String field : fields) {
                Long bytes = byField.get(field);
                cells.add(bytes == null ? "" : Figures.count(bytes));
            }
            long all = byField.values().stream().mapToLong(Long::longValue).sum();
            cells.add(Figures.count(all));
            cells.add(Figures.percent((double) all / index.bytes()));
            table.row(cells);
        });
        return table;
    }

    private void term(Project project, Index index, String named) {
        String field = named.substring(0, named.indexOf(':'));
        String word = named.substring(named.indexOf(':') + 1);
        if (!index.textFields().contains(field)) {
            throw wrongCall("there is no text field '" + field + "'; " + Nearest.hint(field, index.textFields()));
        }
        List<Token> tokens = project.schema()
                .find(field)
                .map(known -> known.pipeline().tokens(word))
                .orElse(List.of());
        List<Object> terms = new ArrayList<>();
        Table table = new Table("word", "term", ">df", ">cf", ">of the documents");
        for (Token token : tokens) {
            TermCounts counts = index.termCounts(field, token.text());
            Map<String, Object> one = new LinkedHashMap<>();
            one.put("term", token.text());
            one.put("df", counts.df());
            one.put("cf", counts.cf());
            terms.add(one);
            table.row(
                    word.substring(token.from(), token.to()),
                    token.text(),
                    Figures.count(counts.df()),
                    Figures.count(counts.cf()),
                    Figures.percent((double) counts.df() / index.documents()));
        }
        if (json) {
            Map<String, Object> shown = new LinkedHashMap<>();
            shown.put("field", field);
            shown.put("word", word);
            shown.put("terms", terms);
            console().json(shown);
        } else if (tokens.isEmpty()) {
            console().out().println("The pipeline of '" + field + "' makes no term of '" + word + "' (a stop word?).");
        } else {
            table.print(console());
        }
    }
}
