package zentrel.plan;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.TreeSet;

/**
 * A run of universe numbers as they are on the wire.
 *
 * @param first its first number
 * @param last its last, not below the first
 */
public record NumberRange(int first, int last) {
    public NumberRange {
        if (last < first) {
            throw new IllegalArgumentException("A range runs upwards: " + first + " to " + last + " does not.");
        }
    }

    public boolean contains(int number) {
        return number >= first && number <= last;
    }

    /** As people write it: {@code 1–64}. */
    @Override
    public String toString() {
        return first == last ? String.valueOf(first) : first + "–" + last;
    }

    /** Ranges with one more number in them. */
    public static List<NumberRange> with(List<NumberRange> ranges, int number) {
        List<NumberRange> list = new ArrayList<>();
        boolean taken = ranges.stream().anyMatch(r -> r.contains(number));
        for (NumberRange range : ranges) {
            if (!taken && (range.last() + 1 == number || range.first() - 1 == number)) {
                list.add(new NumberRange(Math.min(range.first(), number), Math.max(range.last(), number)));
                taken = true;
            } else {
                list.add(range);
            }
        }
        if (!taken) {
            list.add(new NumberRange(number, number));
        }
        return list;
    }

    /** Numbers as ranges of those that follow each other, in order, each once. */
    public static List<NumberRange> runs(Collection<Integer> numbers) {
        List<NumberRange> runs = new ArrayList<>();
        for (int number : new TreeSet<>(numbers)) {
            NumberRange last = runs.isEmpty() ? null : runs.get(runs.size() - 1);
            if (last != null && last.last() + 1 == number) {
                runs.set(runs.size() - 1, new NumberRange(last.first(), number));
            } else {
                runs.add(new NumberRange(number, number));
            }
        }
        return runs;
    }

    /**
     * Ranges as typed: {@code 1-64, 100}.
     *
     * @throws IllegalArgumentException with a sentence
     */
    public static List<NumberRange> parse(String text) {
        List<NumberRange> ranges = new ArrayList<>();
        for (String part : text.split(",", -1)) {
            String plain = part.strip();
            if (plain.isEmpty()) {
                continue;
            }
            if (!plain.matches("\\d{1,6}(\\s*(-|–|to)\\s*\\d{1,6})?")) {
                throw new IllegalArgumentException(
                        "\"" + plain + "\" is no range of universes; write 1-64, or several with commas between.");
            }
            String[] ends = plain.split("\\s*(-|–|to)\\s*", -1);
            ranges.add(new NumberRange(Integer.parseInt(ends[0]), Integer.parseInt(ends[ends.length - 1])));
        }
        return ranges;
    }
}
