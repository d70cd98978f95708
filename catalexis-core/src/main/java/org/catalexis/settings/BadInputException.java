package org.catalexis.settings;

import org.jspecify.annotations.Nullable;

/**
 * The user's data is wrong: where, what, and how to mend it. Its message is
 * {@code place: what; mend}, fit to be shown as it is.
 *
 * @since 0.1
 */
public final class BadInputException extends RuntimeException {
    private static final long serialVersionUID = 1L;

    private final transient Place place;
    private final String what;
    private final String mend;

    /** A fault with no cause but the data. */
    public BadInputException(Place place, String what, String mend) {
        this(place, what, mend, null);
    }

    /** A fault that another error brought to light. */
    public BadInputException(Place place, String what, String mend, @Nullable Throwable cause) {
        super(place + ": " + what + "; " + mend, cause);
        this.place = place;
        this.what = what;
        this.mend = mend;
    }

    /** Where the fault stands. */
    public Place place() {
        return place;
    }

    /** What is wrong, quoting the user's text. */
    public String what() {
        return what;
    }

    /** What the user can do about it. */
    public String mend() {
        return mend;
    }
}
