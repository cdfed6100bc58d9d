package zentrel.file;

import com.fasterxml.jackson.databind.node.IntNode;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.Line;
import zentrel.plan.Plan;
import zentrel.profile.Profile;

/** Turns the JSON of a plan file into a plan. Whatever the bytes, it returns a plan or throws one clear sentence. */
public final class PlanReader {
    /** The format that this version writes. Newer files are read too; what is not known is kept. */
    public static final int FORMAT = 1;

    private final List<UnknownFields.Field> unknown = new ArrayList<>();
    private final References references = new References();

    private PlanReader() {}

    /**
     * Reads a plan.
     *
     * @throws PlanFileException with one sentence that names the line, and the field where there is one
     */
    public static LoadedPlan read(byte[] bytes) throws PlanFileException {
        PlanReader reader = new PlanReader();
        Plan plan = JsonDocument.read(bytes, "plan", reader.unknown, reader::plan);
        return new LoadedPlan(plan, new UnknownFields(reader.unknown));
    }

    private Plan plan(JsonPlace root) {
        root.requireObject();
        int format = root.need("zentrel-plan").integer(1, Integer.MAX_VALUE);
        Plan plan = Plan.EMPTY.withName(root.text("name", "Untitled")).withProfiles(profiles(root));
        for (Kind<?> kind : Kind.TABLES) {
            plan = table(plan, root, kind);
        }
        plan = plan.withSightings(root.all("sightings", p -> SightingFields.read(p, references)));
        root.done();
        if (format > FORMAT) {
            unknown.add(new UnknownFields.Field("", List.of(), "zentrel-plan", IntNode.valueOf(format)));
        }
        references.check();
        checkLines(plan);
        return plan;
    }

    private <E> Plan table(Plan plan, JsonPlace root, Kind<E> kind) {
        Fields<E> fields = Fields.of(kind);
        return plan.with(kind, root.all(kind.list(), p -> fields.read(p, references)));
    }

    /** A line passed on by others must start at a port in the end. */
    private void checkLines(Plan plan) {
        for (Line line : plan.lines()) {
            Set<Id<Line>> seen = new HashSet<>();
            Line at = line;
            while (at.via().isPresent()) {
                if (!seen.add(at.id())) {
                    throw references
                            .declared(line.id())
                            .wrong("the line \"" + line.id().value()
                                    + "\" is passed on in a ring and never starts at a port");
                }
                at = plan.index().line(at.via().get().from());
            }
        }
    }

    private List<Profile> profiles(JsonPlace root) {
        Map<String, JsonPlace> known = new HashMap<>();
        return root.all("profiles", p -> {
            Profile profile = ProfileFields.read(p);
            JsonPlace earlier = known.putIfAbsent(profile.id(), p);
            if (earlier != null) {
                throw p.wrong("the profile \"" + profile.id() + "\" is already described at " + earlier.path());
            }
            return profile;
        });
    }
}
