package zentrel.file;

import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import zentrel.profile.Profile;

/** Profiles as files of their own, to copy, edit and share. */
public final class ProfileFile {
    /** The format that this version writes. */
    public static final int FORMAT = 1;

    private ProfileFile() {}

    /**
     * Reads a profile from the bytes of a file.
     *
     * @throws PlanFileException with one sentence that names the place
     */
    public static Profile read(byte[] bytes) throws PlanFileException {
        List<UnknownFields.Field> unknown = new ArrayList<>();
        return JsonDocument.read(bytes, "profile", unknown, root -> {
            root.requireObject();
            root.need("zentrel-profile").integer(1, Integer.MAX_VALUE);
            return ProfileFields.read(root);
        });
    }

    /**
     * Opens a profile file.
     *
     * @throws PlanFileException with one sentence that names the file and the place in it
     */
    public static Profile open(Path file) throws PlanFileException {
        return read(PlanFile.bytes(file));
    }

    /** The bytes of a profile file. */
    public static byte[] write(Profile profile) {
        ObjectNode root = JsonNodeFactory.instance.objectNode();
        root.put("zentrel-profile", FORMAT);
        ProfileFields.write(root, profile);
        return JsonOut.pretty(root);
    }

    /**
     * Saves a profile, so that the file is either the old one or the new one.
     *
     * @throws PlanFileException with one sentence
     */
    public static void save(Profile profile, Path file) throws PlanFileException {
        AtomicFile.write(write(profile), file);
    }
}
