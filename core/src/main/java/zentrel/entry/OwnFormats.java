package zentrel.entry;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import zentrel.profile.ProfileSign;
import zentrel.profile.ProfileSupply;
import zentrel.profile.VoltRange;
import zentrel.text.Numbers;

/** How supplies and signs of one device are written. */
final class OwnFormats {
    private static final String NUMBER = "\\d{1,6}(?:\\.\\d{1,3})?";
    private static final Pattern SUPPLY = Pattern.compile(
            "(.+?)(?: by (PoE))?(?: (" + NUMBER + ") ?W)?(?: (" + NUMBER + ")(?: ?[-–] ?(" + NUMBER + "))? ?V)?",
            Pattern.CASE_INSENSITIVE);

    private OwnFormats() {}

    /** {@code Mains 12 W 100-240 V}, {@code Cable by PoE 8 W}. */
    static final Format<ProfileSupply> SUPPLY_FORMAT =
            Formats.of(OwnFormats::shown, OwnFormats::supply, "Mains 12 W 100-240 V");

    /** {@code port light: levels arrive: flickers}. */
    static final Format<ProfileSign> SIGN_FORMAT = Formats.of(
            s -> s.look() + ": " + s.when() + ": " + s.shows(),
            OwnFormats::sign,
            "port light: levels arrive: flickers");

    private static String shown(ProfileSupply s) {
        return s.name()
                + (s.poe() ? " by PoE" : "")
                + (s.watts() > 0 ? " " + Numbers.plain(s.watts()) + " W" : "")
                + s.volts()
                        .map(v -> " " + Numbers.plain(v.from()) + "-" + Numbers.plain(v.to()) + " V")
                        .orElse("");
    }

    private static ProfileSupply supply(String text) {
        Matcher m = SUPPLY.matcher(text);
        if (!m.matches()) {
            throw new IllegalArgumentException(
                    "A supply is its name, its watts and its volts, such as Mains 12 W 100-240 V.");
        }
        Optional<VoltRange> volts = Optional.ofNullable(m.group(4))
                .map(from -> new VoltRange(
                        Double.parseDouble(from), Double.parseDouble(m.group(5) == null ? from : m.group(5))));
        return new ProfileSupply(
                m.group(1), m.group(2) != null, m.group(3) == null ? 0 : Double.parseDouble(m.group(3)), volts);
    }

    private static ProfileSign sign(String text) {
        String[] parts = text.split(":", -1);
        if (parts.length != 3 || parts[0].isBlank() || parts[1].isBlank() || parts[2].isBlank()) {
            throw new IllegalArgumentException(
                    "A sign is where to look, when, and what it shows, with colons between: \"" + text + "\" has "
                            + parts.length + (parts.length == 1 ? " part." : " parts."));
        }
        return new ProfileSign(parts[0].strip(), parts[1].strip(), parts[2].strip());
    }
}
