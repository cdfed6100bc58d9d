package zentrel.gear;

import java.util.List;
import java.util.Optional;
import zentrel.entry.Entries;
import zentrel.entry.Field;
import zentrel.patch.FixtureList;
import zentrel.plan.*;

/** Adds fixture types made by hand, and lists that other programs have of the fixtures. */
public final class PatchAdditions {
    private PatchAdditions() {}

    /**
     * A fixture type.
     *
     * @param modes as the field of modes takes them: {@code Basic: dimmer, pan 16 bit; Large: 24 slots}
     * @throws IllegalArgumentException with a sentence, where there is one of that name, or the modes are none
     */
    public static Edit type(Plan plan, String name, String maker, String modes) {
        plan.fixtureTypes().stream()
                .filter(t -> FixtureType.sameName(t.name(), name))
                .findFirst()
                .ifPresent(t -> {
                    throw new IllegalArgumentException("There is a fixture type " + t.name() + " already.");
                });
        Id<FixtureType> id = Kind.FIXTURE_TYPE.id(Ids.free(plan, Ids.of(name, "type")));
        FixtureType made = new FixtureType(id, name, maker, List.of(new FixtureMode("", List.of(List.of("")))));
        Field<FixtureType> field = Entries.find(Kind.FIXTURE_TYPE, "modes").orElseThrow();
        FixtureType filled = field.entered(plan.and(Kind.FIXTURE_TYPE, made), id, modes)
                .index()
                .get(id);
        return new Edit("Add the fixture type " + name, p -> p.and(Kind.FIXTURE_TYPE, filled));
    }

    /**
     * A list as a program has it from now on: the fixtures of the plan as they are.
     *
     * @param program whose it is; empty for paperwork
     */
    public static Edit list(Plan plan, String name, Optional<Id<Application>> program) {
        if (plan.patchLists().stream().anyMatch(l -> l.name().equalsIgnoreCase(name))) {
            throw new IllegalArgumentException("There is a list " + name + " already.");
        }
        PatchList list =
                FixtureList.of(plan).kept(Kind.PATCH_LIST.id(Ids.free(plan, Ids.of(name, "list"))), name, program);
        return new Edit("Add the list " + name, p -> p.and(Kind.PATCH_LIST, list));
    }
}
