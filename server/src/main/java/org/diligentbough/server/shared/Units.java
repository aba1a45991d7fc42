package org.diligentbough.server.shared;

import jakarta.servlet.http.Cookie;
import java.util.Locale;
import java.util.function.DoubleFunction;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;
import org.springframework.web.util.WebUtils;

/** Sentences in the units of whoever asks: a cookie {@code bough-units=imperial} asks for feet, inches and pounds. */
@Component
public class Units {
    static final String COOKIE = "bough-units";
    private static final String IMPERIAL = "imperial";
    private static final double CM_IN_INCH = 2.54;
    private static final long INCHES_IN_FOOT = 12;
    private static final double KG_IN_POUND = 0.45359237;
    private static final double KM_IN_MILE = 1.609344;
    /** "4.1 m", "20 to 30 cm", "-2 °C"; not "m2", and no number that another one runs into. */
    private static final Pattern MEASURED = Pattern.compile(
            "(?<![\\w.,-])(-?\\d+(?:\\.\\d+)?)(?: (to|and|or) (-?\\d+(?:\\.\\d+)?))? (km/h|kg|cm|mm|m|°C)(?![\\w²³/])");

    /** The sentence as whoever asks measures. */
    public String inWords(String sentence) {
        return imperialAsked() ? imperial(sentence) : sentence;
    }

    private static boolean imperialAsked() {
        if (!(RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes asked)) {
            return false;
        }
        Cookie cookie = WebUtils.getCookie(asked.getRequest(), COOKIE);
        return cookie != null && IMPERIAL.equals(cookie.getValue());
    }

    /**
     * Every length, weight, speed and temperature of a sentence in imperial units. An inch is 2.54 cm, a pound
     * 0.45359237 kg, a mile 1.609344 km: exact by definition (international yard and pound agreement, 1959).
     */
    static String imperial(String sentence) {
        return MEASURED.matcher(sentence).replaceAll(Units::converted);
    }

    private static String converted(MatchResult found) {
        DoubleFunction<String> one =
                switch (found.group(4)) {
                    case "m" -> metres -> feet(metres * 100 / CM_IN_INCH);
                    case "cm" -> cm -> plain(cm / CM_IN_INCH, 1) + " in";
                    case "mm" -> mm -> plain(mm / 10 / CM_IN_INCH, 2) + " in";
                    case "kg" -> kg -> plain(kg / KG_IN_POUND, 0) + " lb";
                    case "km/h" -> speed -> plain(speed / KM_IN_MILE, 0) + " mph";
                    default -> celsius -> plain(celsius * 9 / 5 + 32, 0) + " °F";
                };
        String first = one.apply(Double.parseDouble(found.group(1)));
        return found.group(2) == null
                ? first
                : first + " " + found.group(2) + " " + one.apply(Double.parseDouble(found.group(3)));
    }

    private static String feet(double inches) {
        long whole = Math.round(Math.abs(inches));
        long feet = whole / INCHES_IN_FOOT;
        long rest = whole % INCHES_IN_FOOT;
        String said = feet == 0 ? rest + " in" : feet + " ft" + (rest == 0 ? "" : " " + rest + " in");
        return inches < 0 ? "-" + said : said;
    }

    private static String plain(double value, int decimals) {
        String text = String.format(Locale.ENGLISH, "%." + decimals + "f", value);
        return text.contains(".") ? text.replaceAll("\\.?0+$", "") : text;
    }
}
