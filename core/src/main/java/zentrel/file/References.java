package zentrel.file;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.Plan;

/** The ids of a plan file while it is read: each declared once, and each reference led to what it names. */
final class References {
    private record Reference(JsonPlace place, Id<?> id) {}

    private final Optional<Plan> read;
    private final Map<String, JsonPlace> declared = new HashMap<>();
    private final Map<String, Kind<?>> kinds = new HashMap<>();
    private final List<Reference> references = new ArrayList<>();

    References() {
        this(Optional.empty());
    }

    private References(Optional<Plan> read) {
        this.read = read;
    }

    /** Those of a plan that is read already, for reading one of its entities again. */
    static References of(Plan plan) {
        return new References(Optional.of(plan));
    }

    /** The id of an entity, which no other may have. */
    <E> Id<E> declare(JsonPlace place, Kind<E> kind) {
        place.requireObject();
        JsonPlace field = place.need("id");
        Id<E> made = field.parsed(kind::id);
        JsonPlace earlier = declared.putIfAbsent(made.value(), field);
        if (earlier != null) {
            throw field.wrong("the id \"" + made.value() + "\" is already used at " + earlier.path()
                    + "; every id of a plan is its own");
        }
        kinds.put(made.value(), kind);
        place.ownedBy(made.value());
        return made;
    }

    /** A reference to something of one kind, which may stand anywhere in the file. */
    <E> Id<E> refer(JsonPlace place, Kind<E> kind) {
        Id<E> made = place.parsed(kind::id);
        references.add(new Reference(place, made));
        return made;
    }

    /**
     * An id of something read before, as the kind of thing that it is.
     *
     * @param may the kinds that it may be
     */
    Id<?> known(JsonPlace place, String what, List<Kind<?>> may) {
        String text = place.text();
        Kind<?> kind =
                read.<Kind<?>>flatMap(p -> p.index().idOf(text).map(Id::kind)).orElseGet(() -> kinds.get(text));
        if (kind == null || !may.contains(kind)) {
            throw place.wrong(what + ", and the plan has none called \"" + text + "\"");
        }
        return kind.id(text);
    }

    /** Where an id was declared. */
    JsonPlace declared(Id<?> id) {
        return Objects.requireNonNull(declared.get(id.value()), "every entity is declared");
    }

    /** Checks that each reference leads to something of its kind. */
    void check() {
        for (Reference reference : references) {
            Id<?> wanted = reference.id();
            Kind<?> is = kinds.get(wanted.value());
            if (is == null) {
                throw reference.place().wrong("the plan has no " + wanted.kind() + " \"" + wanted.value() + "\"");
            }
            if (!wanted.is(is)) {
                throw reference
                        .place()
                        .wrong("\"" + wanted.value() + "\" is " + is.article() + " " + is + ", and "
                                + wanted.kind().article() + " " + wanted.kind() + " belongs here");
            }
        }
    }
}
