package zentrel.file;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.List;

/**
 * Fields of a plan file that this version does not know, kept so that saving loses nothing a newer version wrote. A field
 * belongs to the thing whose id it stood under; it is written back as long as that thing is in the plan.
 */
public record UnknownFields(List<Field> fields) {
    /** None. */
    public static final UnknownFields NONE = new UnknownFields(List.of());

    public UnknownFields {
        fields = List.copyOf(fields);
    }

    /**
     * One field.
     *
     * @param owner the id of the nearest thing that has one; empty text for the document itself
     * @param path field names and array indexes from the owner to the object that held the field
     */
    record Field(String owner, List<String> path, String name, JsonNode value) {
        Field {
            path = List.copyOf(path);
        }
    }
}
