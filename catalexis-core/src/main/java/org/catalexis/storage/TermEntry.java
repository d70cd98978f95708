package org.catalexis.storage;

/** What a dictionary says of one term: counts, and where its postings are. Reused from look-up to look-up. */
public final class TermEntry {
    /** Documents that hold the term, at least 1. */
    public int df;

    /** Occurrences of the term, at least df. */
    public long cf;

    /** If df is 1: the document. */
    public int document;

    /** If df is over 1: where the posting list begins in the postings section. */
    public long listOffset;

    /** If df is over 1: how many bytes the posting list has. */
    public int listLength;
}
