package org.catalexis.cli;

import picocli.CommandLine;

/** The version from the jar's manifest, and the Java that runs it. */
final class Version implements CommandLine.IVersionProvider {
    @Override
    public String[] getVersion() {
        String version = Version.class.getPackage().getImplementationVersion();
        return new String[] {
            "catalexis " + (version == null ? "(not from a jar)" : version) + ", Java " + Runtime.version()
        };
    }
}
