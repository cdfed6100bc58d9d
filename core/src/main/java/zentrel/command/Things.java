package zentrel.command;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import zentrel.plan.*;

/** Finds the things of a plan that words name. */
final class Things {
    private static final int MOST_NAMES = 4;

    private final Plan plan;
    private final Optional<Id<?>> selected;
    private final List<String> misses = new ArrayList<>();

    Things(Plan plan, Optional<Id<?>> selected) {
        this.plan = plan;
        this.selected = selected;
    }

    Plan plan() {
        return plan;
    }

    /**
     * The things that words name, the nearest match first; what is selected, or all, where there are no words.
     *
     * @param what what is looked for, as a sentence says it: "a receiver with a free port"
     */
    <T extends Named> List<T> named(List<String> words, List<T> all, Predicate<T> fit, String what) {
        List<T> fitting = all.stream().filter(fit).toList();
        if (words.isEmpty()) {
            List<T> chosen = fitting.stream()
                    .filter(t -> selected.filter(s -> belongs(s, t.id())).isPresent())
                    .toList();
            if (fitting.isEmpty()) {
                misses.add("The plan has nothing that is " + what + ".");
            }
            return chosen.isEmpty() ? fitting : chosen;
        }
        List<T> found = ranked(words, fitting);
        if (found.isEmpty()) {
            misses.add(miss(words, ranked(words, all), fitting, what));
        }
        return found;
    }

    private <T extends Named> List<T> ranked(List<String> words, List<T> all) {
        String joined = String.join(" ", words).toLowerCase(Locale.ROOT);
        List<T> called = all.stream()
                .filter(t -> matches(called(t), words) || kinds(t).contains(joined))
                .sorted(Comparator.comparingInt(t -> rank(t, joined, words)))
                .toList();
        return called.isEmpty()
                ? all.stream()
                        .filter(t -> matches(called(t) + " " + place(t) + " " + String.join(" ", kinds(t)), words))
                        .toList()
                : called;
    }

    private int rank(Named thing, String joined, List<String> words) {
        String name = thing.name().toLowerCase(Locale.ROOT);
        if (name.equals(joined)) {
            return 0;
        }
        if (kinds(thing).contains(joined)) {
            return 1; // "previs" means a previs, not a link box that has it in its name
        }
        if (name.startsWith(joined)) {
            return 2;
        }
        return matches(plan.index().name(thing.id()), words) ? 3 : 4;
    }

    private <T extends Named> String miss(List<String> words, List<T> others, List<T> fitting, String what) {
        String said = String.join(" ", words);
        StringBuilder text = new StringBuilder(
                others.isEmpty()
                        ? deviceWithout(words, what).orElse("Nothing here is called “" + said + "”.")
                        : plan.index().name(others.get(0).id()) + " is not " + what + ".");
        if (!fitting.isEmpty()) {
            text.append(" There is ")
                    .append(fitting.stream()
                            .limit(MOST_NAMES)
                            .map(t -> plan.index().name(t.id()))
                            .collect(Collectors.joining(", ")));
            text.append(fitting.size() > MOST_NAMES ? " and " + (fitting.size() - MOST_NAMES) + " more." : ".");
        } else if (others.isEmpty()) {
            text.append(" The plan has nothing that is ").append(what).append('.');
        }
        return text.toString();
    }

    /** A device that is called so and has nothing of what is looked for. */
    private Optional<String> deviceWithout(List<String> words, String what) {
        return plan.hosts().stream()
                .filter(h -> matches(h.name(), words))
                .findFirst()
                .map(h -> h.name() + " has nothing that is " + what + ".");
    }

    /** Why the last line found nothing, for the first name in it that is not there. */
    Optional<String> miss() {
        return misses.stream().findFirst();
    }

    /** Notes why a line found nothing. */
    void note(String why) {
        misses.add(why);
    }

    /** Before another line is read. */
    void forget() {
        misses.clear();
    }

    /** What kinds of program a thing is or runs, in the words of people. */
    private Set<String> kinds(Named thing) {
        PlanIndex index = plan.index();
        if (thing instanceof Application a) {
            return Set.of(a.kind().word());
        }
        if (thing instanceof Receiver r) {
            return Set.of(index.application(r.application()).kind().word());
        }
        return thing instanceof Host h
                ? index.applicationsOn(h.id()).stream()
                        .map(a -> a.kind().word())
                        .collect(Collectors.toSet())
                : Set.of();
    }

    /** Where a thing stands; people say the place where the name does not hold it. */
    private String place(Named thing) {
        PlanIndex index = plan.index();
        if (thing instanceof Host h) {
            return h.place();
        }
        if (thing instanceof Application a) {
            return index.hostOf(a.id()).place();
        }
        if (thing instanceof Receiver r) {
            return index.hostOf(r.application()).place();
        }
        return thing instanceof Line l
                ? index.hostOf(index.applicationOf(l.port()).id()).place()
                : "";
    }

    /** The name of a thing, and for a box the names of what runs on it: people say either. */
    private String called(Named thing) {
        PlanIndex index = plan.index();
        String name = index.name(thing.id());
        if (thing instanceof Host h) {
            return name + " "
                    + index.applicationsOn(h.id()).stream()
                            .map(Application::name)
                            .collect(Collectors.joining(" "));
        }
        if (thing instanceof Universe u) {
            return u.label() + " " + name;
        }
        return thing instanceof Application a
                ? name + " " + index.host(a.host()).name()
                : name;
    }

    static boolean matches(String name, List<String> words) {
        String lower = name.toLowerCase(Locale.ROOT);
        return words.stream().allMatch(w -> lower.contains(w.toLowerCase(Locale.ROOT)));
    }

    /** Whether what is selected is a thing, or what the thing runs on or belongs to. */
    private boolean belongs(Id<?> chosen, Id<?> thing) {
        if (chosen.equals(thing)) {
            return true;
        }
        PlanIndex index = plan.index();
        Object found = index.find(thing).orElse(null);
        if (found instanceof Application a) {
            return a.host().equals(chosen);
        }
        if (found instanceof Receiver r) {
            return belongs(chosen, r.application());
        }
        if (found instanceof Line l) {
            return chosen.equals(l.port())
                    || belongs(chosen, index.receiverOf(l.port()).id());
        }
        if (found instanceof Host h) {
            return h.adapters().stream().anyMatch(a -> a.id().equals(chosen))
                    || index.applicationsOn(h.id()).stream()
                            .anyMatch(a -> a.id().equals(chosen)
                                    || index.receiversOf(a.id()).stream().anyMatch(r -> r.id().equals(chosen)));
        }
        return false;
    }
}
