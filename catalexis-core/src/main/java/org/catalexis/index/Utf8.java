package org.catalexis.index;

/** The UTF-8 form of terms and ids. Its byte order is the order of code points. */
final class Utf8 {
    private Utf8() {}

    /**
     * Encodes chars[start, start + length) into {@code out[at...]}, which has room for 3 bytes a unit. A lone surrogate
     * becomes U+FFFD.
     *
     * @return how many bytes it takes
     */
    static int encode(char[] chars, int start, int length, byte[] out, int at) {
        int n = at;
        int end = start + length;
        for (int i = start; i < end; i++) {
            char c = chars[i];
            if (c < 0x80) {
                out[n++] = (byte) c;
            } else if (c < 0x800) {
                out[n++] = (byte) (0xC0 | c >>> 6);
                out[n++] = (byte) (0x80 | c & 0x3F);
            } else if (Character.isHighSurrogate(c) && i + 1 < end && Character.isLowSurrogate(chars[i + 1])) {
                int codePoint = Character.toCodePoint(c, chars[++i]);
                out[n++] = (byte) (0xF0 | codePoint >>> 18);
                out[n++] = (byte) (0x80 | codePoint >>> 12 & 0x3F);
                out[n++] = (byte) (0x80 | codePoint >>> 6 & 0x3F);
                out[n++] = (byte) (0x80 | codePoint & 0x3F);
            } else {
                int unit = Character.isSurrogate(c) ? 0xFFFD : c;
                out[n++] = (byte) (0xE0 | unit >>> 12);
                out[n++] = (byte) (0x80 | unit >>> 6 & 0x3F);
                out[n++] = (byte) (0x80 | unit & 0x3F);
            }
        }
        return n - at;
    }

    /** The same for a string. */
    static byte[] encode(String text) {
        byte[] bytes = new byte[text.length() * 3];
        int size = encode(text.toCharArray(), 0, text.length(), bytes, 0);
        return java.util.Arrays.copyOf(bytes, size);
    }
}
