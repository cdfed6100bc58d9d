package zentrel.control;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A message with named parts of a type: {@code /lights/level channel:int level:0-1}. A part may stand in the address too, in
 * braces: {@code /cue/{list:int}/{cue:decimal}/go}. What is no part is sent as it stands: a number, a text in quotation marks.
 *
 * @param address with its parts in braces
 * @param arguments those that follow, in order
 */
public record MessageTemplate(String address, List<Argument> arguments) {
    private static final int LONGEST = 2_000;
    private static final Pattern HOLE = Pattern.compile("\\{([a-z][a-z0-9-]*):([a-z0-9-]+)}");
    private static final Pattern ARGUMENT =
            Pattern.compile("\"((?:[^\"\\\\]|\\\\.)*)\"|([a-z][a-z0-9-]*):([a-z0-9-]+)|(\\S+)");

    /** A part: its name and what it holds. */
    public record Part(String name, PartType type) {
        @Override
        public String toString() {
            return name + ":" + type.word();
        }
    }

    /** What is sent after the address: a part to fill in, or a value that stands. */
    public sealed interface Argument {
        /** Filled in. */
        record Open(Part part) implements Argument {}

        /** As it stands. */
        record Fixed(OscValue value) implements Argument {}
    }

    /** A message with all its parts filled in. */
    public record Filled(String address, List<OscValue> values) {
        public Filled {
            values = List.copyOf(values);
        }

        /** Address and values as people read them. */
        @Override
        public String toString() {
            StringBuilder text = new StringBuilder(address);
            values.forEach(v ->
                    text.append(' ').append(v instanceof OscValue.Text t ? '"' + t.value() + '"' : v.shown()));
            return text.toString();
        }
    }

    public MessageTemplate {
        arguments = List.copyOf(arguments);
    }

    /**
     * The template that a text is.
     *
     * @throws IllegalArgumentException with a sentence, where it is none
     */
    public static MessageTemplate parse(String text) {
        String line = text.strip();
        if (line.length() > LONGEST) {
            throw new IllegalArgumentException("A message has at most " + LONGEST + " characters.");
        }
        int space = line.indexOf(' ');
        String address = space < 0 ? line : line.substring(0, space);
        if (!address.startsWith("/")) {
            throw new IllegalArgumentException(
                    "An OSC address starts with a slash, such as /show/next, not \"" + address + "\".");
        }
        if (!address.chars().allMatch(c -> c > ' ' && c < 127 && c != '#')) {
            throw new IllegalArgumentException("The OSC address " + address
                    + " holds a character that OSC does not allow there; letters, digits and - _ . are safe.");
        }
        List<Argument> arguments = new ArrayList<>();
        Matcher m = ARGUMENT.matcher(space < 0 ? "" : line.substring(space));
        while (m.find()) {
            arguments.add(argument(m));
        }
        MessageTemplate template = new MessageTemplate(address, arguments);
        Map<String, Part> names = new LinkedHashMap<>();
        for (Part part : template.parts()) {
            if (names.put(part.name(), part) != null) {
                throw new IllegalArgumentException("The part " + part.name() + " stands in the message twice.");
            }
        }
        return template;
    }

    private static Argument argument(Matcher m) {
        if (m.group(1) != null) {
            return new Argument.Fixed(new OscValue.Text(m.group(1).replaceAll("\\\\(.)", "$1")));
        } else if (m.group(2) != null) {
            return new Argument.Open(new Part(m.group(2), type(m.group(3))));
        }
        String word = m.group(4);
        if (word.matches("[+-]?[0-9]{1,9}")) {
            return new Argument.Fixed(new OscValue.Whole(Integer.parseInt(word)));
        } else if (word.matches("[+-]?[0-9]{1,9}\\.[0-9]{1,9}")) {
            return new Argument.Fixed(new OscValue.Decimal(Float.parseFloat(word)));
        } else if (word.equals("true") || word.equals("false")) {
            return new Argument.Fixed(new OscValue.Switch(word.equals("true")));
        }
        throw new IllegalArgumentException("\"" + word
                + "\" is neither a part, such as cue:decimal, nor a number; a text" + " stands in quotation marks.");
    }

    private static PartType type(String word) {
        return PartType.of(word)
                .orElseThrow(() ->
                        new IllegalArgumentException("A part holds " + PartType.words() + ", not \"" + word + "\"."));
    }

    /** All parts in the order in which they stand. */
    public List<Part> parts() {
        List<Part> all = new ArrayList<>();
        Matcher m = HOLE.matcher(address);
        while (m.find()) {
            all.add(new Part(m.group(1), type(m.group(2))));
        }
        for (Argument argument : arguments) {
            if (argument instanceof Argument.Open open) {
                all.add(open.part());
            }
        }
        return List.copyOf(all);
    }

    /** The address as an OSC pattern: whatever may stand in a part. */
    public String pattern() {
        return HOLE.matcher(address).replaceAll("*");
    }

    /**
     * The message with its parts filled in.
     *
     * @param values one for each of {@link #parts}, as they are typed
     * @throws IllegalArgumentException with a sentence that names the part, where one does not fit
     */
    public Filled fill(List<String> values) {
        List<Part> parts = parts();
        if (values.size() != parts.size()) {
            throw new IllegalArgumentException(
                    "The message has " + parts.size() + " parts to fill in, not " + values.size() + ".");
        }
        Map<String, OscValue> by = new LinkedHashMap<>();
        for (int i = 0; i < parts.size(); i++) {
            by.put(parts.get(i).name(), read(parts.get(i), values.get(i).strip()));
        }
        StringBuilder filled = new StringBuilder();
        Matcher m = HOLE.matcher(address);
        while (m.find()) {
            m.appendReplacement(filled, Matcher.quoteReplacement(inAddress(m.group(1), required(by, m.group(1)))));
        }
        m.appendTail(filled);
        List<OscValue> sent = new ArrayList<>();
        for (Argument argument : arguments) {
            sent.add(
                    argument instanceof Argument.Open open
                            ? required(by, open.part().name())
                            : ((Argument.Fixed) argument).value());
        }
        return new Filled(filled.toString(), sent);
    }

    /**
     * Whether a value fits a part, without filling in the others.
     *
     * @throws IllegalArgumentException with a sentence that names the part, where it does not
     */
    public void check(Part part, String text) {
        OscValue value = read(part, text.strip());
        if (address.contains("{" + part + "}")) {
            String unused = inAddress(part.name(), value);
        }
    }

    private static String inAddress(String part, OscValue value) {
        String word = value.shown();
        if (!word.matches("[^\\s/#*?,\\[\\]{}]+") || !word.chars().allMatch(c -> c < 127)) {
            throw new IllegalArgumentException(part + ": \"" + word + "\" cannot stand in an OSC address.");
        }
        return word;
    }

    private static OscValue required(Map<String, OscValue> by, String name) {
        return Optional.ofNullable(by.get(name)).orElseThrow();
    }

    private static OscValue read(Part part, String text) {
        try {
            return part.type().read(text);
        } catch (IllegalArgumentException e) {
            throw new IllegalArgumentException(part.name() + ": " + e.getMessage(), e);
        }
    }

    /**
     * What the parts of a message hold that came from elsewhere, by name.
     *
     * @return empty where the message is another one
     */
    public Optional<Map<String, String>> read(String sent, List<OscValue> values) {
        Map<String, String> found = new LinkedHashMap<>();
        StringBuilder regex = new StringBuilder();
        List<Part> inAddress = new ArrayList<>();
        Matcher m = HOLE.matcher(address);
        int end = 0;
        while (m.find()) {
            regex.append(Pattern.quote(address.substring(end, m.start()))).append("([^/]+)");
            inAddress.add(new Part(m.group(1), type(m.group(2))));
            end = m.end();
        }
        regex.append(Pattern.quote(address.substring(end)));
        Matcher in = Pattern.compile(regex.toString()).matcher(sent);
        if (!in.matches() || values.size() < arguments.size()) {
            return Optional.empty();
        }
        for (int i = 0; i < inAddress.size(); i++) {
            found.put(inAddress.get(i).name(), in.group(i + 1));
        }
        for (int i = 0; i < arguments.size(); i++) {
            OscValue value = values.get(i);
            if (arguments.get(i) instanceof Argument.Open open) {
                boolean wantsText = open.part().type() == PartType.TEXT;
                if (!wantsText
                        && value instanceof OscValue.Text t
                        && CueNumber.of(t.value()).isEmpty()) {
                    return Optional.empty();
                }
                found.put(open.part().name(), value.shown());
            } else if (!((Argument.Fixed) arguments.get(i)).value().equals(value)) {
                return Optional.empty();
            }
        }
        return Optional.of(found);
    }

    /** As it is written. */
    @Override
    public String toString() {
        StringBuilder text = new StringBuilder(address);
        for (Argument argument : arguments) {
            text.append(' ');
            if (argument instanceof Argument.Open open) {
                text.append(open.part());
            } else if (((Argument.Fixed) argument).value() instanceof OscValue.Text t) {
                text.append('"')
                        .append(t.value().replace("\\", "\\\\").replace("\"", "\\\""))
                        .append('"');
            } else if (((Argument.Fixed) argument).value() instanceof OscValue.Decimal d) {
                String plain = CueNumber.plain(d.value());
                text.append(plain.contains(".") ? plain : plain + ".0");
            } else {
                text.append(((Argument.Fixed) argument).value().shown());
            }
        }
        return text.toString();
    }
}
