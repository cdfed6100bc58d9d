package zentrel.live;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.json.JsonMapper;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;
import zentrel.file.PlanFileException;
import zentrel.plan.Plan;

/** A sealed state as a file: one readable JSON document. */
public final class SealedFile {
    /** More than the largest net has; what is larger is no sealed state. */
    private static final long LARGEST = 50_000_000;

    private static final JsonMapper MAPPER = JsonMapper.builder()
            .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .build();

    private SealedFile() {}

    /**
     * Writes one.
     *
     * @throws IOException if it cannot be written
     */
    public static void write(SealedState state, Path to) throws IOException {
        Files.write(to, MAPPER.writerWithDefaultPrettyPrinter().writeValueAsBytes(state));
    }

    /**
     * Reads one.
     *
     * @throws IOException with a sentence, if it is none
     */
    public static SealedState read(Path from) throws IOException {
        if (Files.size(from) > LARGEST) {
            throw new IOException(from.getFileName() + " is too large for a sealed state.");
        }
        try {
            SealedState read = MAPPER.readValue(Files.readAllBytes(from), SealedState.class);
            if (read == null || read.devices() == null || read.universes() == null || read.rates() == null) {
                throw new IOException(
                        from.getFileName() + " is no sealed state: it lacks devices, universes or rates.");
            }
            Map<String, Map<String, String>> devices = read.devices();
            if (devices.values().stream().anyMatch(d -> d == null || d.containsValue(null))) {
                throw new IOException(from.getFileName() + " is no sealed state: a device in it says nothing.");
            }
            Optional<Plan> unused = read.planThen();
            return read;
        } catch (PlanFileException e) {
            throw new IOException(from.getFileName() + " is no sealed state: its plan is none. " + e.getMessage(), e);
        } catch (JsonProcessingException e) {
            throw new IOException(
                    from.getFileName() + " is no sealed state: " + e.getOriginalMessage() + ", line "
                            + (e.getLocation() == null ? 1 : e.getLocation().getLineNr()) + ".",
                    e);
        }
    }
}
