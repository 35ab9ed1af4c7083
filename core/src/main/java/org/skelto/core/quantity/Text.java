package org.skelto.core.quantity;

import java.util.Locale;

/** Numbers as the person reads them, with a real minus sign and their unit. */
public final class Text {
    /** Up to here every whole number is a double of its own. */
    private static final double MOST_EXACT = 1e15;

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

    /** A share of a rating in percent, which may be over 100. */
    public static String share(double share) {
        return number(share * 100, 0) + " %";
    }

    /** A number with so many decimals, 0 to 6, rounded half up. */
    public static String number(double value, int decimals) {
        long unit = (long) Math.pow(10, decimals);
        double scaled = Math.abs(value) * unit;
        if (!(scaled < MOST_EXACT)) {
            return String.format(Locale.ROOT, "%." + decimals + "f", value).replace('-', '−');
        }
        // written digit by digit: an assessment writes some thousand numbers
        long digits = Math.round(scaled);
        StringBuilder text = new StringBuilder();
        if (value < 0 && digits > 0) {
            text.append('−');
        }
        text.append(digits / unit);
        if (decimals > 0) {
            String rest = Long.toString(digits % unit);
            text.append('.').append("0".repeat(decimals - rest.length())).append(rest);
        }
        return text.toString();
    }
}
