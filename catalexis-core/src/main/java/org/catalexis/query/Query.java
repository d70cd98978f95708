package org.catalexis.query;

/**
 * What is asked for: a tree of nodes. The words in it are as people wrote them; each field's pipeline makes terms of them
 * when the query is run.
 *
 * @since 0.1
 */
public sealed interface Query {
    /** Calls the case of this node. */
    <R> R match(Cases<R> cases);

    /** One method a node: a new node does not compile until every operation handles it. */
    interface Cases<R> {
        /** Plain words. */
        R words(Words query);
    }

    /** Ranked any-of: documents that hold at least one of the words of {@code text} in a field of the ranker. */
    static Query words(String text) {
        return new Words(text);
    }

    /**
     * Plain words. A word that stands there twice counts twice; nothing in the text is a fault.
     *
     * @param text as typed
     */
    record Words(String text) implements Query {
        @Override
        public <R> R match(Cases<R> cases) {
            return cases.words(this);
        }
    }
}
