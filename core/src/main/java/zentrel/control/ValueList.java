package zentrel.control;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Several values written in one line: {@code 3, 4 and 7.2}, {@code 1-12}, {@code 10-50 by 10}, one below the other as pasted. */
public final class ValueList {
    /** Messages made in one go at most. */
    public static final int MOST = 20_000;

    private static final Pattern RANGE = Pattern.compile(
            "([0-9]{1,9}(?:\\.[0-9]{1,4})?)\\s*(?:-|–|to|\\.\\.)\\s*([0-9]{1,9}(?:\\.[0-9]{1,4})?)(?:\\s+by\\s+([0-9]{1,9}(?:\\.[0-9]{1,4})?))?");

    private ValueList() {}

    /**
     * The values of a line, in order.
     *
     * @throws IllegalArgumentException with a sentence, where a range runs backwards or there are too many
     */
    public static List<String> of(String text) {
        List<String> all = new ArrayList<>();
        for (String each : text.split("[,;\\n\\t]|\\s+and\\s+", -1)) {
            String word = each.strip();
            Matcher m = RANGE.matcher(word);
            if (m.matches()) {
                range(all, word, new BigDecimal(m.group(1)), new BigDecimal(m.group(2)), m.group(3));
            } else if (!word.isEmpty()) {
                add(all, word);
            }
        }
        return all;
    }

    private static void range(
            List<String> all,
            String word,
            BigDecimal first,
            BigDecimal last,
            @org.jspecify.annotations.Nullable String by) {
        BigDecimal step = by == null ? BigDecimal.ONE : new BigDecimal(by);
        if (last.compareTo(first) < 0 || step.signum() == 0) {
            throw new IllegalArgumentException("\"" + word + "\" leads nowhere: the first is the smaller one.");
        }
        for (BigDecimal at = first; at.compareTo(last) <= 0; at = at.add(step)) {
            add(all, at.toPlainString());
        }
    }

    private static void add(List<String> all, String word) {
        if (all.size() == MOST) {
            throw new IllegalArgumentException("These are more than " + MOST + " values; make them in parts.");
        }
        all.add(word);
    }

    /**
     * Every combination of the values of several parts, the last one changing first.
     *
     * @throws IllegalArgumentException with a sentence, where there are too many
     */
    public static List<List<String>> combined(List<List<String>> parts) {
        List<List<String>> all = new ArrayList<>();
        all.add(List.of());
        for (List<String> values : parts) {
            if ((long) all.size() * values.size() > MOST) {
                throw new IllegalArgumentException("These are more than " + MOST + " messages; make them in parts.");
            }
            List<List<String>> longer = new ArrayList<>();
            for (List<String> begun : all) {
                for (String value : values) {
                    List<String> next = new ArrayList<>(begun);
                    next.add(value);
                    longer.add(List.copyOf(next));
                }
            }
            all = longer;
        }
        return all;
    }
}
