package zentrel.command;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import zentrel.gear.*;
import zentrel.plan.*;
import zentrel.profile.Profile;

/** Lines that add devices: {@code 4 node called Reef in Hall}. */
final class AddWords {
    private final Plan plan;
    private final Things things;
    private final Library library;

    AddWords(Things things, Library library) {
        this.things = things;
        this.library = library;
        plan = things.plan();
    }

    /** {@code [COUNT] WORDS [called NAME] [in PLACE] [on SEGMENT] [at ADDRESS]}, the parts in any order. */
    List<Offer> add(List<String> words) {
        List<String> wanted = new ArrayList<>(words);
        int count = 1;
        if (wanted.size() > 1 && wanted.get(0).matches("\\d{1,4}[x×]?")) {
            count = Integer.parseInt(wanted.remove(0).replaceAll("\\D", ""));
        }
        Map<String, String> parts = Words.parts(wanted, Set.of("called", "in", "on", "at"));
        if (wanted.stream().noneMatch(w -> w.length() > 1 || w.matches("\\d"))) {
            return List.of();
        }
        List<Offer> offers = new ArrayList<>();
        for (Profile profile : library.matching(wanted)) {
            int n = count;
            StringBuilder text = new StringBuilder("Add " + n + " × " + profile.name());
            for (String part : List.of("called", "in", "on", "at")) {
                if (parts.containsKey(part)) {
                    text.append(' ').append(part).append(' ').append(parts.get(part));
                }
            }
            offers.add(new Offer(text.toString(), () -> added(profile, n, parts)));
        }
        return offers;
    }

    private GearEdit added(Profile profile, int count, Map<String, String> parts) {
        String segment = parts.getOrDefault("on", "");
        GearEdit made = DeviceFactory.boxes(
                plan, library, profile, count, parts.getOrDefault("called", ""), parts.getOrDefault("in", ""));
        Plan after = made.edit().applyTo(plan);
        if (!segment.isEmpty()) {
            Segment wanted =
                    things.named(List.of(segment.split(" ", -1)), plan.segments(), s -> true, "a segment").stream()
                            .findFirst()
                            .orElseThrow(
                                    () -> new IllegalArgumentException("There is no segment called " + segment + "."));
            after = DeviceFactory.onSegment(after, made.hosts(), wanted.id());
        }
        if (parts.containsKey("at")) {
            after = DeviceFactory.at(after, made.hosts(), parts.get("at"));
        }
        return new GearEdit(DeviceFactory.put(made.edit().text(), plan, after), made.hosts());
    }
}
