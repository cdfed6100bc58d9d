package zentrel.path;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.source.Sourced;

/**
 * The values that a judgement rests on, each with a name: entities of the plan, ids, addresses, numbers, facts of something
 * else. Sentences and fixes are made from them where somebody looks.
 *
 * <p>The form tells apart what one reason may mean: "not on the list" and "sent to another address" are both not delivered.
 */
public final class Facts {
    public static final Facts NONE = new Facts("", new Object[0]);

    private static final String SOURCE = "restsOn";

    private final String form;
    private final Object[]
            pairs; // name, value, name, value: a map of its own for each hop would cost more than judging it

    private Facts(String form, Object[] pairs) {
        this.form = form;
        this.pairs = pairs;
    }

    /** Facts of one form: {@code as("bound", "program", from, "adapter", out)}. */
    public static Facts as(String form, Object... namesAndValues) {
        if (namesAndValues.length % 2 != 0) {
            throw new IllegalArgumentException("Each fact has a name and a value.");
        }
        return new Facts(form, namesAndValues);
    }

    /** Facts of a reason that has one form only. */
    public static Facts of(Object... namesAndValues) {
        return as("", namesAndValues);
    }

    /** Facts that somebody else has put into words already. */
    public static Facts said(String brief, String text) {
        return as("said", "brief", brief, "text", text);
    }

    /** These facts and those of others, in the form of these. */
    Facts and(Facts more) {
        return and(more.pairs);
    }

    /** These facts and more. */
    public Facts and(Object... more) {
        Object[] all = Arrays.copyOf(pairs, pairs.length + more.length);
        System.arraycopy(more, 0, all, pairs.length, more.length);
        return new Facts(form, all);
    }

    /** The same facts in another form. */
    public Facts in(String other) {
        return new Facts(other, pairs);
    }

    /** These facts, judged by something that is known from a source of its own. */
    Facts restingOn(Sourced<?> source) {
        return and(SOURCE, source);
    }

    /** What is known from elsewhere and decides it, if anything does. */
    public Optional<Sourced<?>> restsOn() {
        return find(SOURCE).map(s -> (Sourced<?>) s);
    }

    public String form() {
        return form;
    }

    public boolean is(String of) {
        return form.equals(of);
    }

    /** The value of a name, if there is one. */
    public Optional<Object> find(String name) {
        for (int i = 0; i < pairs.length; i += 2) {
            if (pairs[i].equals(name)) {
                return Optional.of(pairs[i + 1]);
            }
        }
        return Optional.empty();
    }

    /**
     * The value of a name.
     *
     * @throws IllegalArgumentException if there is none
     */
    public Object get(String name) {
        return find(name).orElseThrow(() -> new IllegalArgumentException("No " + name + " in " + this));
    }

    /**
     * A value whose type is known.
     *
     * @throws IllegalArgumentException if there is none of that name
     * @throws ClassCastException if it is of another type
     */
    public <T> T get(String name, Class<T> type) {
        return type.cast(get(name));
    }

    /** A value whose type is known, if there is one. */
    public <T> Optional<T> find(String name, Class<T> type) {
        return find(name).map(type::cast);
    }

    /** A number. */
    public int number(String name) {
        return get(name, Integer.class);
    }

    /** Several values of one type, in order. */
    public <T> List<T> list(String name, Class<T> type) {
        return ((List<?>) get(name)).stream().<T>map(type::cast).toList();
    }

    /** An id of a kind. */
    public <E> Id<E> id(String name, Kind<E> kind) {
        Id<?> id = get(name, Id.class);
        return id.as(kind).orElseThrow(() -> new IllegalArgumentException(name + " is no " + kind));
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Facts facts && form.equals(facts.form) && Arrays.equals(pairs, facts.pairs);
    }

    @Override
    public int hashCode() {
        return 31 * form.hashCode() + Arrays.hashCode(pairs);
    }

    @Override
    public String toString() {
        return form + Arrays.toString(pairs);
    }
}
