package zentrel.entry;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.Plan;
import zentrel.text.Numbers;
import zentrel.text.Word;

/** The formats of plain values, of lists and of references. */
public final class Formats {
    /** What is written where there is no value. */
    static final String NONE = "none";

    public static final Format<String> TEXT = of(v -> v, text -> text, "");

    private Formats() {}

    /** A format by two functions. */
    static <V> Format<V> of(Function<V, String> shown, Function<String, V> read, String hint) {
        return new Format<>() {
            @Override
            public String shown(Plan plan, V value) {
                return shown.apply(value);
            }

            @Override
            public V read(Plan plan, String text) {
                return read.apply(text);
            }

            @Override
            public String hint() {
                return hint;
            }
        };
    }

    /** Yes or no, in words that say what. */
    static Format<Boolean> flag(String yes, String no) {
        return choice(List.of(true, false), on -> on ? yes : no, Format.Control.FLAG);
    }

    public static final Format<Boolean> ON = flag("on", "off");
    public static final Format<Boolean> YES = flag("yes", "no");

    /** A whole number. */
    public static Format<Integer> whole(String what, int first, int last) {
        return of(
                String::valueOf,
                text -> {
                    if (text.matches("-?\\d{1,9}")) {
                        int value = Integer.parseInt(text);
                        if (value >= first && value <= last) {
                            return value;
                        }
                    }
                    throw new IllegalArgumentException(
                            what + " is a whole number from " + first + " to " + last + ", not \"" + text + "\".");
                },
                first + " to " + last);
    }

    /** A number above 0. */
    static Format<Double> decimal(String what, double most) {
        return of(
                Numbers::plain,
                text -> {
                    if (text.matches("\\d{1,6}([.,]\\d{1,6})?")) {
                        double value = Double.parseDouble(text.replace(',', '.'));
                        if (value >= 0 && value <= most) {
                            return value;
                        }
                    }
                    throw new IllegalArgumentException(
                            what + " is a number from 0 to " + Numbers.plain(most) + ", not \"" + text + "\".");
                },
                "");
    }

    /** One of the words of an enum. */
    public static <V extends Enum<V> & Word> Format<V> word(Class<V> type) {
        return choice(Arrays.asList(type.getEnumConstants()), v -> v.word().replace('-', ' '), Format.Control.CHOICE);
    }

    /** One of some values that have a text each. */
    public static <V> Format<V> choice(List<V> values, Function<V, String> text, Format.Control control) {
        return new Format<>() {
            @Override
            public String shown(Plan plan, V value) {
                return text.apply(value);
            }

            @Override
            public V read(Plan plan, String typed) {
                String plain = plain(typed);
                return values.stream()
                        .filter(v -> plain(text.apply(v)).equals(plain))
                        .findFirst()
                        .orElseThrow(() -> new IllegalArgumentException("\"" + typed + "\" is not one of "
                                + values.stream().map(text).collect(Collectors.joining(", ")) + "."));
            }

            @Override
            public Control control() {
                return control;
            }

            @Override
            public List<String> choices(Plan plan) {
                return values.stream().map(text).toList();
            }
        };
    }

    private static String plain(String text) {
        return text.strip().toLowerCase(Locale.ROOT).replace('-', ' ');
    }

    /** Something of the plan, by its name or id. */
    public static <E> Format<Id<E>> reference(Kind<E> kind) {
        return new Format<>() {
            @Override
            public String shown(Plan plan, Id<E> id) {
                return References.shown(plan, List.of(kind), id);
            }

            @Override
            public Id<E> read(Plan plan, String text) {
                return References.find(plan, List.of(kind), text).as(kind).orElseThrow();
            }

            @Override
            public Control control() {
                return Control.CHOICE;
            }

            @Override
            public List<String> choices(Plan plan) {
                return References.all(plan, List.of(kind));
            }
        };
    }

    /** Something of the plan of one of several kinds. */
    public static Format<Id<?>> reference(List<Kind<?>> kinds) {
        return new Format<>() {
            @Override
            public String shown(Plan plan, Id<?> id) {
                return References.shown(plan, kinds, id);
            }

            @Override
            public Id<?> read(Plan plan, String text) {
                return References.find(plan, kinds, text);
            }

            @Override
            public Control control() {
                return Control.CHOICE;
            }

            @Override
            public List<String> choices(Plan plan) {
                return References.all(plan, kinds);
            }
        };
    }

    /** A value or none. */
    static <V> Format<Optional<V>> optional(Format<V> format) {
        return new Format<>() {
            @Override
            public String shown(Plan plan, Optional<V> value) {
                return value.map(v -> format.shown(plan, v)).orElse(format.control() == Control.TEXT ? "" : NONE);
            }

            @Override
            public Optional<V> read(Plan plan, String text) {
                return text.isEmpty() || text.equals(NONE) ? Optional.empty() : Optional.of(format.read(plan, text));
            }

            @Override
            public Control control() {
                return format.control() == Control.TEXT ? Control.TEXT : Control.CHOICE;
            }

            @Override
            public List<String> choices(Plan plan) {
                if (format.choices(plan).isEmpty()) {
                    return List.of();
                }
                List<String> all = new ArrayList<>(List.of(NONE));
                all.addAll(format.choices(plan));
                return all;
            }

            @Override
            public String hint() {
                return format.hint();
            }
        };
    }

    /** Several values with commas between; semicolons are read, too. */
    public static <V> Format<List<V>> list(Format<V> format) {
        return list(format, ",;");
    }

    /**
     * Several values.
     *
     * @param between the characters that separate them, the one that is written first
     */
    static <V> Format<List<V>> list(Format<V> format, String between) {
        String written = between.charAt(0) + " ";
        return new Format<>() {
            @Override
            public String shown(Plan plan, List<V> values) {
                return values.stream().map(v -> format.shown(plan, v)).collect(Collectors.joining(written));
            }

            @Override
            public List<V> read(Plan plan, String text) {
                List<V> values = new ArrayList<>();
                for (String part : text.split("[" + between + "]", -1)) {
                    if (!part.isBlank()) {
                        values.add(format.read(plan, part.strip()));
                    }
                }
                return values;
            }

            @Override
            public String hint() {
                return (format.hint().isEmpty() ? "a" + written + "b" : format.hint()) + written + "…";
            }
        };
    }
}
