package zentrel.plan;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiFunction;

/**
 * A question with an answer of its own for each kind of entity, as a table: where a new kind needs one, that is one line more.
 *
 * @param <R> what is answered
 */
public final class ByKind<R> {
    private final Map<Kind<?>, BiFunction<PlanIndex, Object, R>> answers = new HashMap<>();

    /** Adds the answer for a kind. */
    public <E> ByKind<R> with(Kind<E> kind, BiFunction<PlanIndex, E, R> answer) {
        answers.put(kind, (index, entity) -> answer.apply(index, kind.type().cast(entity)));
        return this;
    }

    /** The answer for something of a plan; empty where the plan does not have it, or its kind has no answer. */
    public Optional<R> of(PlanIndex index, Id<?> id) {
        return index.find(id)
                .flatMap(entity ->
                        Optional.ofNullable(answers.get(id.kind())).map(answer -> answer.apply(index, entity)));
    }
}
