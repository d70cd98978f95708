/**
 * Turns a string into tokens.
 *
 * <p>How data flows here: a {@link org.catalexis.text.Pipeline} is a definition, shared by all threads. Its
 * {@link org.catalexis.text.TokenReader}, one a thread, copies a text into {@link org.catalexis.text.Chars}, lets each
 * {@link org.catalexis.text.Fold} rewrite it, lets the {@link org.catalexis.text.Splitter} fill a
 * {@link org.catalexis.text.TokenBatch} of some hundreds of tokens, and hands the batch from
 * {@link org.catalexis.text.Step} to {@link org.catalexis.text.Step}. Nothing is allocated per token, and there is one
 * interface call per batch. {@link org.catalexis.text.Token} is the form for people.
 */
@NullMarked
package org.catalexis.text;

import org.jspecify.annotations.NullMarked;
