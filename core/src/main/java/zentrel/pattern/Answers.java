package zentrel.pattern;

import java.util.Map;
import zentrel.ipv4.Subnet;

/** The answers to a pattern's questions; what was not answered is as usual. */
final class Answers {
    private final Pattern pattern;
    private final Map<String, String> given;

    Answers(Pattern pattern, Map<String, String> given) {
        this.pattern = pattern;
        this.given = Map.copyOf(given);
    }

    private Question question(String id) {
        return pattern.questions().stream()
                .filter(q -> q.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new IllegalStateException(pattern.title() + " asks nothing called " + id));
    }

    String text(String id) {
        Question question = question(id);
        String answer = given.getOrDefault(id, question.usual()).strip();
        if (!question.choices().isEmpty() && !question.choices().contains(answer)) {
            throw new IllegalArgumentException(question.text() + " Answer " + String.join(" or ", question.choices())
                    + ", not \"" + answer + "\".");
        }
        return answer;
    }

    int number(String id) {
        Question question = question(id);
        String answer = text(id);
        if (!answer.matches("\\d{1,6}")
                || Integer.parseInt(answer) < question.least()
                || Integer.parseInt(answer) > question.most()) {
            throw new IllegalArgumentException(question.text() + " Answer a number from " + question.least() + " to "
                    + question.most() + ", not \"" + answer + "\".");
        }
        return Integer.parseInt(answer);
    }

    Subnet range() {
        try {
            return Subnet.parse(text("range"));
        } catch (IllegalArgumentException e) {
            throw new IllegalArgumentException(question("range").text() + " " + e.getMessage(), e);
        }
    }
}
