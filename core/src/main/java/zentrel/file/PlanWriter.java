package zentrel.file;

import static zentrel.file.JsonOut.JSON;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zentrel.plan.Kind;
import zentrel.plan.Plan;

/**
 * Writes the canonical form of a plan file: fields in a fixed order, nothing that is as usual, line feeds, so that a diff
 * in version control is small and two equal plans are equal files.
 */
public final class PlanWriter {
    private PlanWriter() {}

    /** The bytes of a plan file, in UTF-8 with line feeds. */
    public static byte[] write(LoadedPlan loaded) {
        return JsonOut.pretty(tree(loaded));
    }

    static ObjectNode tree(LoadedPlan loaded) {
        Plan plan = loaded.plan();
        ObjectNode root = JSON.objectNode();
        root.put("zentrel-plan", PlanReader.FORMAT);
        root.put("name", plan.name());
        Kind.TABLES.forEach(kind -> table(root, plan, kind));
        JsonOut.all(root, "sightings", plan.sightings(), SightingFields::write);
        JsonOut.all(root, "profiles", plan.profiles(), ProfileFields::write);
        putBack(root, loaded.unknown());
        return root;
    }

    private static <E> void table(ObjectNode root, Plan plan, Kind<E> kind) {
        JsonOut.all(root, kind.list(), plan.table(kind), Fields.of(kind)::write);
    }

    // --- unknown fields ---

    private static void putBack(ObjectNode root, UnknownFields unknown) {
        if (unknown.fields().isEmpty()) {
            return;
        }
        Map<String, ObjectNode> owners = new HashMap<>();
        owners.put("", root);
        findOwners(root, owners);
        for (UnknownFields.Field field : unknown.fields()) {
            ObjectNode owner = owners.get(field.owner());
            if (owner != null) {
                Optional.ofNullable(descend(owner, field.path())).ifPresent(o -> o.set(field.name(), field.value()));
            }
        }
    }

    private static void findOwners(JsonNode node, Map<String, ObjectNode> owners) {
        if (node instanceof ObjectNode object && object.path("id").isTextual()) {
            owners.put(object.get("id").textValue(), object);
        }
        node.forEach(child -> findOwners(child, owners));
    }

    /** The object at a path; a plain value on the way is spread out into a setting, so that the field has a place. */
    private static @org.jspecify.annotations.Nullable ObjectNode descend(ObjectNode from, List<String> path) {
        JsonNode node = from;
        for (String step : path) {
            JsonNode next = node.isArray() ? node.get(Integer.parseInt(step)) : node.get(step);
            if (next == null && node instanceof ObjectNode object) {
                next = object.putObject(step); // it held nothing else that had to be written
            }
            if (next == null) {
                return null;
            }
            if (next.isValueNode()) {
                ObjectNode setting = JSON.objectNode();
                setting.set(
                        next.isTextual() && next.textValue().contains("/") && node.isArray() ? "address" : "planned",
                        next);
                if (node instanceof ArrayNode array) {
                    array.set(Integer.parseInt(step), setting);
                } else {
                    ((ObjectNode) node).set(step, setting);
                }
                next = setting;
            }
            node = next;
        }
        return node instanceof ObjectNode object ? object : null;
    }
}
