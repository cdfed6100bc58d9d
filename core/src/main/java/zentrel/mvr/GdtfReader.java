package zentrel.mvr;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.Collectors;
import zentrel.plan.FixtureMode;
import zentrel.plan.FixtureType;
import zentrel.plan.Id;
import zentrel.plan.Universe;

/**
 * Reads a fixture type from a GDTF file: its modes, and what each slot of them does (DIN SPEC 15800, DMX mode, DMX channel, geometry
 * reference; Sources says how surely).
 */
public final class GdtfReader {
    /** Says of a slot that there is none: a channel that is kept by the fixture alone. */
    private static final String NO_OFFSET = "None";

    private static final String NOTHING_KNOWN = "no feature";
    private static final String REFERENCE = "GeometryReference";
    private static final int MOST_CHANNELS = 100_000;

    /**
     * A type, and what was left out of the file.
     *
     * @param leftOut sentences
     */
    public record Read(FixtureType type, List<String> leftOut) {
        public Read {
            leftOut = List.copyOf(leftOut);
        }
    }

    private final XmlElement type;
    private final List<String> leftOut = new ArrayList<>();

    private GdtfReader(XmlElement type) {
        this.type = type;
    }

    /**
     * Reads a file.
     *
     * @throws IllegalArgumentException with a sentence that names the file, where it is no fixture type
     */
    public static Read read(Path file, Id<FixtureType> id) throws IOException {
        byte[] bytes = Archive.read(file);
        try {
            return read(bytes, id);
        } catch (IllegalArgumentException e) {
            throw new IllegalArgumentException(file.getFileName() + ": " + e.getMessage(), e);
        }
    }

    /** The same from bytes. */
    public static Read read(byte[] bytes, Id<FixtureType> id) {
        byte[] description = Archive.of(bytes)
                .part("description.xml")
                .orElseThrow(() -> new IllegalArgumentException("it holds no description.xml, so it is no GDTF file."));
        XmlElement root = XmlElement.parse(description, "description.xml");
        XmlElement type = root.child("FixtureType")
                .orElseThrow(() -> new IllegalArgumentException("description.xml describes no fixture type."));
        return new GdtfReader(type).all(id);
    }

    private Read all(Id<FixtureType> id) {
        String name = first(type.attribute("LongName"), type.attribute("Name"), type.attribute("ShortName"));
        if (name.isEmpty()) {
            throw new IllegalArgumentException("the fixture type in description.xml has no name.");
        }
        List<FixtureMode> modes = new ArrayList<>();
        for (XmlElement mode :
                type.child("DMXModes").map(m -> m.children("DMXMode")).orElse(List.of())) {
            mode(mode).ifPresent(modes::add);
        }
        if (modes.isEmpty()) {
            throw new IllegalArgumentException("the fixture type " + name + " has no mode with slots.");
        }
        return new Read(new FixtureType(id, name, type.attribute("Manufacturer"), modes, GdtfOptics.of(type)), leftOut);
    }

    private static String first(String... names) {
        for (String each : names) {
            if (!each.isEmpty()) {
                return each;
            }
        }
        return "";
    }

    private Optional<FixtureMode> mode(XmlElement mode) {
        String name = mode.attribute("Name");
        Map<Integer, SortedMap<Integer, String>> parts = new TreeMap<>();
        Map<String, List<XmlElement>> references = references(mode.attribute("Geometry"));
        int channels = 0;
        for (XmlElement channel :
                mode.child("DMXChannels").map(c -> c.children("DMXChannel")).orElse(List.of())) {
            List<Integer> offsets = offsets(channel.attribute("Offset"));
            if (offsets.isEmpty()) {
                continue; // it has no slot
            }
            List<XmlElement> places = references.getOrDefault(channel.attribute("Geometry"), List.of());
            channels += Math.max(1, places.size());
            if (channels > MOST_CHANNELS) {
                throw new IllegalArgumentException(
                        "the mode " + name + " has more than " + MOST_CHANNELS + " channels.");
            }
            String function = function(channel);
            String wanted = channel.attribute("DMXBreak");
            if (places.isEmpty()) {
                put(parts, whole(wanted, 1), 0, offsets, function, name);
            }
            for (int i = 0; i < places.size(); i++) {
                put(parts, places.get(i), wanted, offsets, function + " " + (i + 1), name);
            }
        }
        if (parts.isEmpty()) {
            leftOut.add("Mode " + name + " has no slot.");
            return Optional.empty();
        }
        List<List<String>> named = new ArrayList<>();
        for (SortedMap<Integer, String> part : parts.values()) {
            List<String> slots = new ArrayList<>();
            for (int slot = 1; slot <= part.lastKey(); slot++) {
                slots.add(part.getOrDefault(slot, ""));
            }
            named.add(slots);
        }
        return Optional.of(new FixtureMode(name, named));
    }

    /** A geometry that is referred to several times repeats its channels, each time from a slot of its own. */
    private void put(
            Map<Integer, SortedMap<Integer, String>> parts,
            XmlElement reference,
            String wanted,
            List<Integer> offsets,
            String function,
            String mode) {
        List<XmlElement> breaks = reference.children("Break");
        boolean overwritten = wanted.equalsIgnoreCase("Overwrite");
        XmlElement chosen = overwritten
                ? (breaks.isEmpty() ? null : breaks.get(breaks.size() - 1))
                : breaks.stream()
                        .filter(b -> whole(b.attribute("DMXBreak"), 1) == whole(wanted, 1))
                        .findFirst()
                        .orElse(null);
        int part = chosen == null ? whole(wanted, 1) : whole(chosen.attribute("DMXBreak"), 1);
        int from = chosen == null ? 1 : whole(chosen.attribute("DMXOffset"), 1);
        put(parts, part, from - 1, offsets, function, mode);
    }

    private void put(
            Map<Integer, SortedMap<Integer, String>> parts,
            int part,
            int shift,
            List<Integer> offsets,
            String function,
            String mode) {
        for (int i = 0; i < offsets.size(); i++) {
            int slot = offsets.get(i) + shift;
            if (slot < 1 || slot > Universe.SLOTS) {
                leftOut.add("Mode " + mode + ": " + function + " would be slot " + slot + ", and a universe has "
                        + Universe.SLOTS + ".");
                continue;
            }
            parts.computeIfAbsent(part, p -> new TreeMap<>()).putIfAbsent(slot, function + FixtureMode.FINE.repeat(i));
        }
    }

    private static List<Integer> offsets(String text) {
        List<Integer> offsets = new ArrayList<>();
        if (!text.isEmpty() && !text.equalsIgnoreCase(NO_OFFSET)) {
            for (String each : text.split(",", -1)) {
                int offset = whole(each, 0);
                if (offset > 0) {
                    offsets.add(offset);
                }
            }
        }
        return offsets;
    }

    private static int whole(String text, int otherwise) {
        String plain = text.strip();
        return plain.matches("-?\\d{1,6}") ? Integer.parseInt(plain) : otherwise;
    }

    private static String function(XmlElement channel) {
        return channel.child("LogicalChannel")
                .map(l -> plain(l.attribute("Attribute")))
                .filter(a -> !a.equals(NOTHING_KNOWN))
                .orElse("");
    }

    /** An attribute of the standard in words: ColorAdd_R is red. */
    static String plain(String attribute) {
        String known = WORDS.get(attribute);
        return known != null
                ? known
                : attribute
                        .replace('_', ' ')
                        .replaceAll("(?<=[a-z])(?=[A-Z0-9])", " ")
                        .toLowerCase(Locale.ROOT)
                        .strip();
    }

    /** The attribute of the standard for words, else one made of them. */
    static String attribute(String words) {
        return WORDS.entrySet().stream()
                .filter(e -> e.getValue().equals(words))
                .map(Map.Entry::getKey)
                .findFirst()
                .orElseGet(() -> Arrays.stream(words.split("[^\\p{L}\\p{N}]+", -1))
                        .filter(w -> !w.isEmpty())
                        .map(w -> w.substring(0, 1).toUpperCase(Locale.ROOT) + w.substring(1))
                        .collect(Collectors.joining()));
    }

    /** Attributes of DIN SPEC 15800, annex A, that are said otherwise. */
    private static final Map<String, String> WORDS = Map.ofEntries(
            Map.entry("ColorAdd_R", "red"),
            Map.entry("ColorAdd_G", "green"),
            Map.entry("ColorAdd_B", "blue"),
            Map.entry("ColorAdd_W", "white"),
            Map.entry("ColorAdd_WW", "warm white"),
            Map.entry("ColorAdd_CW", "cool white"),
            Map.entry("ColorAdd_RY", "amber"),
            Map.entry("ColorAdd_GY", "lime"),
            Map.entry("ColorAdd_UV", "ultraviolet"),
            Map.entry("ColorSub_C", "cyan"),
            Map.entry("ColorSub_M", "magenta"),
            Map.entry("ColorSub_Y", "yellow"),
            Map.entry("Shutter1", "shutter"),
            Map.entry("Shutter1Strobe", "strobe"));

    /** The references below a mode's geometry, by the geometry that they refer to. */
    private Map<String, List<XmlElement>> references(String geometry) {
        Map<String, List<XmlElement>> found = new HashMap<>();
        List<XmlElement> roots =
                type.child("Geometries").map(XmlElement::children).orElse(List.of());
        roots.stream()
                .filter(g -> geometry.isEmpty() || g.attribute("Name").equals(geometry))
                .forEach(g -> collect(g, found));
        return found;
    }

    private static void collect(XmlElement geometry, Map<String, List<XmlElement>> found) {
        if (geometry.name().equals(REFERENCE)) {
            found.computeIfAbsent(geometry.attribute("Geometry"), g -> new ArrayList<>())
                    .add(geometry);
        }
        geometry.children().forEach(c -> collect(c, found));
    }
}
