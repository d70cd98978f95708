package org.catalexis.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.catalexis.document.Json;
import org.catalexis.mendery.Mendery;

/**
 * One call of the command line: what it wrote and how it ended.
 *
 * @param code the exit code
 */
record Call(int code, String out, String err) {
    /** Calls in this process. */
    static Call of(Object... args) {
        StringWriter out = new StringWriter();
        StringWriter err = new StringWriter();
        String[] words = Arrays.stream(args).map(String::valueOf).toArray(String[]::new);
        int code = Catalexis.run(new PrintWriter(out), new PrintWriter(err), words);
        return new Call(code, out.toString(), err.toString());
    }

    /** Calls in a process of its own, on the Java that runs the tests, with the given options of the JVM. */
    static Call inProcess(List<String> jvm, Object... args) throws IOException {
        List<String> command = new ArrayList<>();
        command.add(Path.of(System.getProperty("java.home"), "bin", "java").toString());
        command.addAll(jvm);
        command.add("--enable-native-access=ALL-UNNAMED"); // as the jar says of itself
        command.addAll(List.of("-cp", System.getProperty("java.class.path"), Catalexis.class.getName()));
        Arrays.stream(args).map(String::valueOf).forEach(command::add);
        Path out = Files.createTempFile("catalexis", ".out");
        Path err = Files.createTempFile("catalexis", ".err");
        try {
            Process process = new ProcessBuilder(command)
                    .redirectOutput(out.toFile())
                    .redirectError(err.toFile())
                    .start();
            return new Call(process.waitFor(), Files.readString(out), Files.readString(err));
        } catch (InterruptedException e) {
            throw new IOException("interrupted while the command ran", e);
        } finally {
            Files.delete(out);
            Files.delete(err);
        }
    }

    /** This call, which must have gone well. */
    Call well() {
        assertThat(err).isEqualTo("");
        assertThat(code).isZero();
        return this;
    }

    /** This call, which may have had remarks but must have gone well. */
    Call done() {
        assertThat(code).as(err).isZero();
        return this;
    }

    /** What it wrote, as JSON. */
    Map<?, ?> json() throws IOException {
        return (Map<?, ?>) java.util.Objects.requireNonNull(Json.parse(out.getBytes(StandardCharsets.UTF_8)));
    }

    /** Unpacks the demo collection, and builds it. */
    static Path mendery(Path folder) throws IOException {
        Files.createDirectories(folder.resolve("data"));
        for (String file : Mendery.FILES) {
            Files.write(folder.resolve(file), Mendery.open(file).readAllBytes());
        }
        Call.of("build", "--project", folder).well();
        return folder;
    }
}
