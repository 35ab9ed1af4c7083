package org.skelto.core.radio;

import java.util.Locale;

/** Numbers as the person reads them, with a real minus sign and their unit. */
public final class Text {
    private Text() {}

    public static String db(double value) {
        return number(value, 1) + " dB";
    }

    public static String dbm(double value) {
        return number(value, 1) + " dBm";
    }

    public static String metres(double value) {
        return number(value, value >= 1000 ? 0 : 2) + " m";
    }

    public static String mhz(double value) {
        return number(value, value == Math.rint(value) ? 0 : 3) + " MHz";
    }

    /** A share in percent; a chance is never rounded up to certainty. */
    public static String percent(double share) {
        if (share > 0.999) {
            return "over 99.9 %";
        }
        return number(share * 100, share > 0.99 ? 1 : 0) + " %";
    }

    /** A number with so many decimals. */
    public static String number(double value, int decimals) {
        String text = String.format(Locale.ROOT, "%." + decimals + "f", value);
        boolean zero = text.chars().noneMatch(c -> c >= '1' && c <= '9');
        return zero ? text.replace("-", "") : text.replace('-', '−');
    }
}
