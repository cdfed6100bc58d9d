package zentrel.command;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import zentrel.entry.Format;
import zentrel.gear.GearEdit;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.Plan;

/**
 * Something that can be added to what is selected, as a form of a few questions.
 *
 * @param title what is added: "An adapter"
 * @param asks the questions, in order
 * @param work makes the edit of the answers
 */
public record Addition(String title, List<Ask<?>> asks, Function<Answers, GearEdit> work) {
    public Addition {
        asks = List.copyOf(asks);
    }

    /**
     * A question.
     *
     * @param usual what is taken where nothing is entered; empty where an answer is needed
     * @param <V> the type of the answer
     */
    public record Ask<V>(String title, Format<V> format, String usual) {}

    /** What was entered, in the order of the questions. */
    public static final class Answers {
        private final Plan plan;
        private final List<Ask<?>> asks;
        private final List<String> entered;

        Answers(Plan plan, List<Ask<?>> asks, List<String> entered) {
            this.plan = plan;
            this.asks = asks;
            this.entered = entered;
        }

        /**
         * An answer.
         *
         * @throws IllegalArgumentException with a sentence that names the question, where it is none
         */
        public <V> V to(Ask<V> ask) {
            String text = entered.get(asks.indexOf(ask)).strip();
            String answer = text.isEmpty() ? ask.usual() : text;
            if (answer.isEmpty()) {
                throw new IllegalArgumentException("Enter “" + ask.title() + "”.");
            }
            try {
                return ask.format().read(plan, answer);
            } catch (IllegalArgumentException e) {
                throw new IllegalArgumentException(ask.title() + ": " + e.getMessage(), e);
            }
        }

        /** An answer that may be left out. */
        public Optional<String> text(Ask<String> ask) {
            return Optional.of(entered.get(asks.indexOf(ask)).strip()).filter(t -> !t.isEmpty());
        }
    }

    /**
     * What the answers add.
     *
     * @param entered the texts entered, in the order of the questions
     * @throws IllegalArgumentException with a sentence, where an answer is none or nothing can be added so
     */
    public GearEdit made(Plan plan, List<String> entered) {
        if (entered.size() != asks.size()) {
            throw new IllegalArgumentException(asks.size() + " answers are needed, not " + entered.size() + ".");
        }
        return work.apply(new Answers(plan, asks, entered));
    }

    /** The first entity that is in a plan and was not in the one before: what was added. */
    public static Optional<Id<?>> added(Plan before, Plan after) {
        for (Kind<?> kind : Kind.ALL) {
            Optional<Id<?>> found = added(kind, before, after);
            if (found.isPresent()) {
                return found;
            }
        }
        return Optional.empty();
    }

    private static <E> Optional<Id<?>> added(Kind<E> kind, Plan before, Plan after) {
        return after.all(kind).stream()
                .<Id<?>>map(kind::idOf)
                .filter(id -> before.index().find(id).isEmpty())
                .findFirst();
    }
}
