package zentrel.command;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import zentrel.plan.*;
import zentrel.profile.Protocol;

/** Takes a line of words apart. */
final class Words {
    private Words() {}

    /** The words before a separating word and those after it; nothing after where it is not there. */
    static List<List<String>> around(List<String> words, String separator) {
        int at = words.indexOf(separator);
        return at < 0 ? List.of(words, List.of()) : List.of(words.subList(0, at), words.subList(at + 1, words.size()));
    }

    /** Takes from a line what follows each of these words, up to the next of them; at the very front it is no such word. */
    static Map<String, String> parts(List<String> words, Set<String> named) {
        Map<String, String> parts = new LinkedHashMap<>();
        List<String> kept = new ArrayList<>();
        @Nullable String part = null;
        for (String word : words) {
            if (named.contains(word) && !kept.isEmpty() && !parts.containsKey(word)) {
                part = word;
                parts.put(part, "");
            } else if (part == null) {
                kept.add(word);
            } else {
                parts.merge(part, word, (said, more) -> said.isEmpty() ? more : said + " " + more);
            }
        }
        parts.values().removeIf(String::isEmpty); // a part that is only begun
        words.clear();
        words.addAll(kept);
        return parts;
    }

    /** Universes: {@code 5}, {@code U1-U4}, {@code 1,3-5}. */
    static final String RUN = "(?i)u?\\d{1,5}([-–,](u?\\d{1,5}))*";

    /** The first whole number among words. */
    static Optional<Integer> number(List<String> words) {
        return words.stream()
                .map(w -> w.toLowerCase(Locale.ROOT).replaceFirst("^u(?=\\d)", ""))
                .filter(w -> w.matches("\\d{1,5}"))
                .map(Integer::valueOf)
                .findFirst();
    }

    /** The protocols of the network that words name; both where they name none. */
    static List<Protocol> protocols(List<String> words) {
        String said = String.join("", words).toLowerCase(Locale.ROOT).replace("-", "");
        return java.util.stream.Stream.of(Protocol.SACN, Protocol.ARTNET)
                .filter(p -> said.isEmpty()
                        || p.title().toLowerCase(Locale.ROOT).replace("-", "").startsWith(said))
                .toList();
    }
}
