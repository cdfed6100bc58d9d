package zentrel.entry;

import java.math.BigDecimal;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import zentrel.profile.ProfileSign;
import zentrel.profile.ProfileSupply;
import zentrel.profile.VoltRange;

/** How supplies and signs of one device are written: parts with colons between, several with semicolons between. */
final class OwnFormats {
    private static final String NUMBER = "\\d{1,6}(?:\\.\\d{1,6})?";
    private static final Pattern WATTS = Pattern.compile("(" + NUMBER + ") ?W");
    private static final Pattern VOLTS = Pattern.compile("(" + NUMBER + ")(?: ?[-–] ?(" + NUMBER + "))? ?V");

    private OwnFormats() {}

    /** {@code Mains: 12 W: 100-240 V; Cable: PoE: 8 W}. */
    static final Format<List<ProfileSupply>> SUPPLIES =
            Formats.list(Formats.of(OwnFormats::shown, OwnFormats::supply, "Mains: 12 W: 100-240 V"), ";");

    /** {@code port light: levels arrive: flickers}. */
    static final Format<List<ProfileSign>> SIGNS = Formats.list(
            Formats.of(
                    s -> s.look() + ": " + s.when() + ": " + s.shows(),
                    OwnFormats::sign,
                    "port light: levels arrive: flickers"),
            ";");

    private static String shown(ProfileSupply s) {
        return s.name()
                + (s.poe() ? ": PoE" : "")
                + (s.watts() > 0 ? ": " + number(s.watts()) + " W" : "")
                + s.volts()
                        .map(v -> ": " + number(v.from()) + "-" + number(v.to()) + " V")
                        .orElse("");
    }

    private static String number(double value) {
        return BigDecimal.valueOf(value).stripTrailingZeros().toPlainString();
    }

    private static List<String> parts(String text) {
        return Arrays.stream(text.split(":", -1)).map(String::strip).toList();
    }

    private static ProfileSupply supply(String text) {
        List<String> parts = parts(text);
        ProfileSupply supply = new ProfileSupply(parts.get(0), false, 0);
        for (String part : parts.subList(1, parts.size())) {
            supply = with(supply, part);
        }
        return supply;
    }

    private static ProfileSupply with(ProfileSupply s, String part) {
        Matcher watts = WATTS.matcher(part);
        Matcher volts = VOLTS.matcher(part);
        if (part.equalsIgnoreCase("PoE")) {
            return new ProfileSupply(s.name(), true, s.watts(), s.volts());
        }
        if (watts.matches()) {
            return new ProfileSupply(s.name(), s.poe(), Double.parseDouble(watts.group(1)), s.volts());
        }
        if (volts.matches()) {
            double from = Double.parseDouble(volts.group(1));
            double to = volts.group(2) == null ? from : Double.parseDouble(volts.group(2));
            return new ProfileSupply(s.name(), s.poe(), s.watts(), Optional.of(new VoltRange(from, to)));
        }
        throw new IllegalArgumentException("After the name of a supply come PoE, its watts or its volts, such as"
                + " Mains: 12 W: 100-240 V; \"" + part + "\" is none of them.");
    }

    private static ProfileSign sign(String text) {
        List<String> parts = parts(text);
        if (parts.size() != 3 || parts.contains("")) {
            throw new IllegalArgumentException(
                    "A sign is where to look, when, and what it shows, with colons between: \"" + text + "\" has "
                            + parts.size() + (parts.size() == 1 ? " part." : " parts."));
        }
        return new ProfileSign(parts.get(0), parts.get(1), parts.get(2));
    }
}
