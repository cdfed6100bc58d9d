package zentrel.control;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.json.JsonMapper;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * The addresses that a program describes by OSCQuery: a tree in JSON with FULL_PATH, TYPE, ACCESS and CONTENTS (OSCQuery proposal,
 * 2018).
 *
 * @param addresses in the order of the tree
 */
public record OscQueryDocument(List<Address> addresses) {
    private static final ObjectMapper JSON = JsonMapper.builder().build();
    private static final int DEEPEST = 64;
    private static final int MOST = 20_000;
    private static final int LONGEST = 1_000;
    private static final int WRITES = 2;

    /**
     * One address.
     *
     * @param types its OSC type tags; empty where none are said
     * @param takes whether something may be sent to it
     */
    public record Address(String path, String types, boolean takes) {}

    public OscQueryDocument {
        addresses = List.copyOf(addresses);
    }

    /**
     * Reads a description.
     *
     * @throws IllegalArgumentException with a sentence, where it is none
     */
    public static OscQueryDocument read(String json) {
        JsonNode root;
        try {
            root = JSON.readTree(json);
        } catch (JsonProcessingException e) {
            throw new IllegalArgumentException(
                    "This is no OSCQuery description: it is not JSON, from line "
                            + (e.getLocation() == null ? 1 : e.getLocation().getLineNr()) + " on.",
                    e);
        }
        if (root == null || !root.isObject()) {
            throw new IllegalArgumentException("This is no OSCQuery description: it is no object with CONTENTS.");
        }
        List<Address> all = new ArrayList<>();
        walk(root, "", all, 0);
        if (all.isEmpty()) {
            throw new IllegalArgumentException("This OSCQuery description names no address that takes anything.");
        }
        return new OscQueryDocument(all);
    }

    private static void walk(JsonNode node, String path, List<Address> all, int depth) {
        if (depth > DEEPEST) {
            throw new IllegalArgumentException("This OSCQuery description is nested deeper than " + DEEPEST + ".");
        }
        JsonNode contents = node.path("CONTENTS");
        String full = node.path("FULL_PATH").asText(path.isEmpty() ? "/" : path);
        boolean named = full.startsWith("/") && full.length() > 1 && full.length() <= LONGEST;
        if (named && (node.has("TYPE") || !contents.isObject()) && plain(full)) {
            if (all.size() == MOST) {
                throw new IllegalArgumentException("This OSCQuery description names more than " + MOST + " addresses.");
            }
            all.add(new Address(
                    full, node.path("TYPE").asText(""), (node.path("ACCESS").asInt(WRITES) & WRITES) != 0));
        }
        for (Map.Entry<String, JsonNode> each : contents.properties()) {
            walk(each.getValue(), path + "/" + each.getKey(), all, depth + 1);
        }
    }

    private static boolean plain(String text) {
        return text.chars().allMatch(c -> c > ' ' && c < 127);
    }

    /** The addresses that take something. */
    public List<String> taking() {
        return addresses.stream().filter(Address::takes).map(Address::path).toList();
    }
}
