package zentrel.command;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import zentrel.entry.Renames;
import zentrel.gear.*;
import zentrel.plan.*;

/** Lines that take anything with a name. */
final class NamedWords {
    private final Plan plan;
    private final Things things;

    NamedWords(Things things) {
        this.things = things;
        plan = things.plan();
    }

    List<Offer> remove(List<String> words) {
        return things.named(words, everything(), x -> true, "something with a name").stream()
                .limit(Commands.MOST_OFFERS)
                .map(x -> {
                    PlanRemoval removing = PlanRemoval.of(plan, List.of(x.id()));
                    String also = removing.alsoInWords();
                    return Offer.of(
                            "Remove " + plan.index().name(x.id()) + (also.isEmpty() ? "" : " with " + also),
                            removing::edit);
                })
                .toList();
    }

    private List<Named> everything() {
        List<Named> all = new ArrayList<>(plan.hosts());
        all.addAll(plan.applications());
        all.addAll(plan.universes());
        all.addAll(plan.lines());
        all.addAll(plan.links());
        all.addAll(plan.attachments());
        all.addAll(plan.segments());
        all.addAll(plan.cables());
        all.addAll(plan.fixtures());
        all.addAll(plan.sessions());
        all.addAll(plan.copies());
        all.addAll(plan.fixtureTypes());
        all.addAll(plan.patchLists());
        all.addAll(plan.pixelRuns());
        all.addAll(plan.pixelOutputs());
        all.addAll(plan.surroundings());
        all.addAll(plan.groundPictures());
        all.addAll(plan.viewpoints());
        all.addAll(plan.all(Kind.ADAPTER));
        all.addAll(plan.receivers());
        all.addAll(plan.all(Kind.PORT));
        return all;
    }

    List<Offer> rename(List<String> words) {
        List<List<String>> sides = Words.around(words, "to");
        String name = String.join(" ", sides.get(1));
        if (name.isEmpty()) {
            return List.of();
        }
        return things.named(sides.get(0), everything(), x -> true, "something with a name").stream()
                .map(x -> Offer.of(
                        "Rename " + plan.index().name(x.id()) + " to " + name, () -> Renames.of(plan, x.id(), name)))
                .toList();
    }

    List<Offer> duplicate(List<String> words) {
        List<String> what = new ArrayList<>(words);
        int times = 1;
        if (what.size() > 1 && what.get(what.size() - 1).matches("\\d{1,4}")) {
            String whole = String.join(" ", what).toLowerCase(Locale.ROOT);
            boolean partOfName = plan.hosts().stream()
                    .anyMatch(h -> h.name().toLowerCase(Locale.ROOT).endsWith(whole));
            if (!partOfName) {
                times = Integer.parseInt(what.remove(what.size() - 1));
            }
        }
        int n = times;
        return things.named(what, plan.hosts(), h -> true, "a device").stream()
                .map(h -> new Offer(
                        "Duplicate " + h.name() + (n == 1 ? "" : " " + n + " times"),
                        () -> DeviceCopies.of(plan, List.of(h.id()), n)))
                .toList();
    }
}
