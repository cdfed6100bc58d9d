package zentrel.pattern;

import java.util.List;
import java.util.Map;
import java.util.function.BiConsumer;
import zentrel.gear.Library;
import zentrel.plan.Plan;

/** A rig to start from. */
public final class Pattern {
    /** More questions than this make nobody faster. */
    static final int MOST_QUESTIONS = 5;

    private final String id;
    private final String title;
    private final String summary;
    private final List<Question> questions;
    private final BiConsumer<Rig, Answers> builder;

    Pattern(String id, String title, String summary, List<Question> questions, BiConsumer<Rig, Answers> builder) {
        if (questions.size() > MOST_QUESTIONS) {
            throw new IllegalArgumentException(title + " asks more than " + MOST_QUESTIONS + " questions.");
        }
        this.id = id;
        this.title = title;
        this.summary = summary;
        this.questions = List.copyOf(questions);
        this.builder = builder;
    }

    public String id() {
        return id;
    }

    public String title() {
        return title;
    }

    public String summary() {
        return summary;
    }

    public List<Question> questions() {
        return questions;
    }

    /**
     * Builds the rig.
     *
     * @param answers by question id; a question that is not answered is answered as usual
     * @throws IllegalArgumentException with a sentence, for an answer that will not do
     */
    public Plan build(Library library, Map<String, String> answers) {
        Rig rig = new Rig(library, title);
        builder.accept(rig, new Answers(this, answers));
        return rig.plan();
    }
}
