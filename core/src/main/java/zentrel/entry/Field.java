package zentrel.entry;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import zentrel.file.EntityRules;
import zentrel.plan.Edit;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.Plan;

/**
 * One thing that can be entered of an entity: what it is called, what it shows, and how it is changed.
 *
 * @param <E> the entity
 */
public final class Field<E> {
    /**
     * What a field shows.
     *
     * @param inForce the value as people write it
     * @param planned another one that is planned, where it is not in force
     */
    public record Shown(String inForce, Optional<String> planned) {}

    /** What a field shows of an entity. */
    interface Reading<E> {
        Shown of(Plan plan, E entity);
    }

    /** The plan with a text entered. */
    interface Writing<E> {
        Plan with(Plan plan, E entity, String text);
    }

    private final Kind<E> kind;
    private final String key;
    private final String group;
    private final String title;
    private final String covers;
    private final Format<?> format;
    private final Reading<E> reading;
    private final Writing<E> writing;

    Field(
            Kind<E> kind,
            String key,
            String group,
            String title,
            String covers,
            Format<?> format,
            Reading<E> reading,
            Writing<E> writing) {
        this.kind = kind;
        this.key = key;
        this.group = group;
        this.title = title;
        this.covers = covers;
        this.format = format;
        this.reading = reading;
        this.writing = writing;
    }

    /** Its stable word, one of a kind's: {@code answer-port}. */
    public String key() {
        return key;
    }

    /** What it stands with in a form; empty for what comes first. */
    public String group() {
        return group;
    }

    public String title() {
        return title;
    }

    /** The component of the record that it enters: {@code plug.vlan}. */
    public String covers() {
        return covers;
    }

    public Format.Control control() {
        return format.control();
    }

    /** What there is to choose from in a plan. */
    public List<String> choices(Plan plan) {
        return format.choices(plan);
    }

    /** An example, or what is allowed. */
    public String hint() {
        return format.hint();
    }

    /**
     * What it shows.
     *
     * @throws IllegalArgumentException if the plan does not have the entity
     */
    public Shown shown(Plan plan, Id<E> id) {
        return reading.of(plan, plan.index().get(id));
    }

    /**
     * A text entered, planned and in force at once; the same plan back where it shows that already.
     *
     * @throws IllegalArgumentException with a sentence, where it is no value of the field
     */
    public Plan entered(Plan plan, Id<E> id, String text) {
        E entity = plan.index().get(id);
        Shown now = reading.of(plan, entity);
        return now.planned().isEmpty() && now.inForce().equals(text.strip()) ? plan : written(plan, id, text);
    }

    /** As {@link #entered}, also where it shows the text already. */
    Plan written(Plan plan, Id<E> id, String text) {
        Plan next = writing.with(plan, plan.index().get(id), text.strip());
        EntityRules.require(next, id);
        return next;
    }

    /**
     * As {@link #entered}, as something that can be undone; empty where it shows the text already.
     *
     * @throws IllegalArgumentException with a sentence, where it is no value of the field
     */
    public Optional<Edit> edit(Plan plan, Id<E> id, String text) {
        Plan next = entered(plan, id, text); // what is wrong with it is said before it is done
        return next.equals(plan)
                ? Optional.empty()
                : Optional.of(new Edit(
                        "Set " + title.toLowerCase(Locale.ROOT) + " of "
                                + plan.index().name(id) + " to " + (text.isBlank() ? Formats.NONE : text.strip()),
                        p -> entered(p, id, text)));
    }

    @Override
    public String toString() {
        return kind + "." + key;
    }
}
