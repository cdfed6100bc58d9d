package zentrel.pattern;

import java.util.List;

/**
 * One question of a pattern.
 *
 * @param id its name among the pattern's questions
 * @param text as it is asked
 * @param usual the answer that is filled in
 * @param least the least number allowed, for a number
 * @param most the largest, for a number; 0 for a text
 * @param choices what can be answered; empty where it is a number or a text
 */
public record Question(String id, String text, String usual, int least, int most, List<String> choices) {
    public Question {
        choices = List.copyOf(choices);
    }

    static Question number(String id, String text, int usual, int least, int most) {
        return new Question(id, text, String.valueOf(usual), least, most, List.of());
    }

    static Question range(String text, String usual) {
        return new Question("range", text, usual, 0, 0, List.of());
    }

    static Question choice(String id, String text, String... choices) {
        return new Question(id, text, choices[0], 0, 0, List.of(choices));
    }

    /** Whether it asks for a number. */
    public boolean isNumber() {
        return most > 0;
    }
}
