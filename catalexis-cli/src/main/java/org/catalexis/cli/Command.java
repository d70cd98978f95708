package org.catalexis.cli;

import java.io.IOException;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Spec;

/** What all commands share: the console, and a way to refuse a call. */
abstract class Command implements Callable<Integer> {
    @Spec
    private @Nullable CommandSpec spec;

    private @Nullable Console console;

    void setConsole(Console console) {
        this.console = console;
    }

    Console console() {
        return java.util.Objects.requireNonNull(console, "Catalexis sets it before it runs a command");
    }

    /** The call was wrong: exit code 2. */
    CommandLine.ParameterException wrongCall(String message) {
        return new CommandLine.ParameterException(
                java.util.Objects.requireNonNull(spec).commandLine(), message);
    }

    /** Does the work; returns the exit code. */
    @Override
    public abstract Integer call() throws IOException;
}
