package zentrel.file;

import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.Set;
import zentrel.file.JsonPlace.Misplaced;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.Line;
import zentrel.plan.Plan;

/** What must hold of an entity so that a plan with it can be saved and opened again. */
public final class EntityRules {
    private EntityRules() {}

    /**
     * Checks one entity of a plan, with its parts.
     *
     * @param id of the entity, or of a part of it
     * @throws IllegalArgumentException with a sentence, where the reader of plan files would refuse it
     */
    public static void require(Plan plan, Id<?> id) {
        check(plan, plan.index().keptIn(id));
        id.as(Kind.LINE).ifPresent(line -> requireNoRing(plan, line));
    }

    private static <E> void check(Plan plan, Id<E> id) {
        Fields<E> fields = Fields.of(id.kind());
        ObjectNode node = JsonNodeFactory.instance.objectNode();
        try {
            fields.write(node, plan.index().get(id));
            fields.read(JsonPlace.root(node, new ArrayList<>()), References.of(plan));
        } catch (Misplaced e) {
            String text = String.valueOf(e.getMessage());
            String sentence = Character.toUpperCase(text.charAt(0)) + text.substring(1);
            throw new IllegalArgumentException(sentence.endsWith(".") ? sentence : sentence + ".", e);
        }
    }

    private static void requireNoRing(Plan plan, Id<Line> line) {
        Set<Id<Line>> seen = new HashSet<>();
        Line at = plan.index().get(line);
        while (at.via().isPresent()) {
            if (!seen.add(at.id())) {
                throw new IllegalArgumentException(
                        at.name() + " would be passed on in a ring and never start at a port.");
            }
            at = plan.index().get(at.via().get().from());
        }
    }
}
