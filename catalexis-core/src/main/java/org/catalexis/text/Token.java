package org.catalexis.text;

/**
 * One occurrence of a term in a text, in the form for people.
 *
 * @param text what the pipeline made of it
 * @param position its place among the tokens, from 0; a dropped token leaves a gap, stacked tokens share one
 * @param from where it begins in the original text, in UTF-16 units
 * @param to where it ends in the original text (exclusive)
 * @since 0.1
 */
public record Token(String text, int position, int from, int to) {}
