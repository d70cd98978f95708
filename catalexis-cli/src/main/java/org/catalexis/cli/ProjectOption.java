package org.catalexis.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.catalexis.index.Index;
import org.catalexis.io.judged.TopicsFile;
import org.catalexis.io.project.Project;
import org.catalexis.measure.Topics;
import org.catalexis.score.Ranker;
import org.catalexis.settings.BadInputException;
import org.catalexis.settings.Place;
import picocli.CommandLine.Option;

/** The option that names the project, and what commands take from it. */
final class ProjectOption {
    @Option(
            names = "--project",
            paramLabel = "DIR",
            defaultValue = ".",
            description = "The project's folder, which holds catalexis.yaml. Default: the working folder.")
    private Path folder = Path.of(".");

    Path folder() {
        return folder;
    }

    Project open() throws IOException {
        return Project.open(folder.normalize().toString().isEmpty() ? Path.of("") : folder.normalize());
    }

    /** The project's index; tells if it is not as the project file says. */
    Index index(Project project, Console console) throws IOException {
        Index index = Index.open(project.indexFolder());
        List<String> changes = project.staleness(index.fieldDefinitions());
        if (!changes.isEmpty()) {
            console.note("the index is stale: " + String.join("; ", changes) + "; run 'catalexis build'");
        }
        return index;
    }

    /** A ranker by name, or the first; a fault if the index lacks one of its fields. */
    Ranker ranker(Project project, Index index, Optional<String> name) {
        Ranker ranker = name.isPresent()
                ? project.ranker(name.get())
                : project.rankers().values().iterator().next();
        List<String> lacking = ranker.weights().keySet().stream()
                .filter(field -> !index.textFields().contains(field))
                .toList();
        if (!lacking.isEmpty()) {
            throw new BadInputException(
                    Place.of(index.folder().toString()),
                    "the index lacks the field '" + lacking.get(0) + "', which the ranker '" + ranker.name()
                            + "' searches",
                    "run 'catalexis build'");
        }
        return ranker;
    }

    /** The topics of a file given with an option, or all of the project's. */
    Topics topics(Project project, Optional<Path> file) throws IOException {
        Topics known = project.topics();
        if (file.isPresent()) {
            return TopicsFile.readOrSelect(file.get(), known);
        }
        if (known.ids().isEmpty()) {
            throw new BadInputException(
                    Place.of(project.file().toString()),
                    "names no topics",
                    "add 'topics: FILE', or give --topics FILE");
        }
        return known;
    }
}
