package zentrel.command;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import zentrel.entry.Entries;
import zentrel.entry.Field;
import zentrel.gear.GearEdit;
import zentrel.gear.SettingChange;
import zentrel.plan.Edit;
import zentrel.plan.Fixture;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.Plan;
import zentrel.plan.Universe;

/** {@code set FIELD of THING to VALUE}: anything that can be entered, of anything, by words of their names. */
final class SetWords {
    private static final int MOST_THINGS = 4;

    private final Plan plan;
    private final Things things;
    private final Optional<Id<?>> selected;
    private final boolean later;

    /**
     * A reader of lines that set.
     *
     * @param later whether a value is only planned, to be set on the device later
     */
    SetWords(Things things, Optional<Id<?>> selected, boolean later) {
        this.things = things;
        this.plan = things.plan();
        this.later = later;
        this.selected = selected;
    }

    /** One thing with one of its fields, as a line could mean it. */
    private record Meant<E>(Field<E> field, Id<E> id, String value, int likeness) {}

    /**
     * What a line after {@code set} could mean, the likeliest first. A name may hold "to" itself, and so may a value, so each place is
     * tried; what no field would take is offered only where nothing else is, to be refused with its reason.
     */
    List<Offer> offers(List<String> words) {
        List<Meant<?>> meant = new ArrayList<>();
        for (int to = 1; to < words.size(); to++) {
            if (words.get(to).equals("to")) {
                meant(words.subList(0, to), String.join(" ", words.subList(to + 1, words.size())), meant);
            }
        }
        if (meant.isEmpty()) {
            missed(words);
        }
        List<Meant<?>> taken = meant.stream().filter(this::isTaken).toList();
        return (taken.isEmpty() ? meant : taken)
                .stream()
                        .sorted(Comparator.comparingInt(Meant::likeness))
                        .limit(MOST_THINGS)
                        .map(this::offer)
                        .toList();
    }

    /** Says which part of a line names nothing: the thing, or the field. */
    private void missed(List<String> words) {
        int of = words.indexOf("of");
        int to = words.lastIndexOf("to");
        if (of < 1 || to < of + 2) {
            return; // not finished
        }
        List<String> thing = words.subList(of + 1, to);
        String field = String.join(" ", words.subList(0, of));
        for (Kind<?> kind : Kind.ALL) {
            Optional<String> has = fieldsOf(kind, thing);
            if (has.isPresent()) {
                things.note(has.get().formatted(field));
                return;
            }
        }
        things.note("Nothing here is called “" + String.join(" ", thing) + "”.");
    }

    private <E> Optional<String> fieldsOf(Kind<E> kind, List<String> thing) {
        return plan.all(kind).stream()
                .filter(e -> matches(called(kind.idOf(e), e).toLowerCase(Locale.ROOT), thing))
                .findFirst()
                .map(e -> plan.index().name(kind.idOf(e)).replace("%", "%%") + " has no field “%s”. It has "
                        + Entries.of(kind).stream()
                                .map(Field::title)
                                .collect(Collectors.joining(", "))
                                .replace("%", "%%")
                        + ".");
    }

    private void meant(List<String> before, String value, List<Meant<?>> to) {
        int of = before.indexOf("of");
        List<String> field = of < 0 ? before : before.subList(0, of);
        List<String> thing = of < 0 ? List.of() : before.subList(of + 1, before.size());
        if (thing.isEmpty()) {
            selected.ifPresent(id -> fields(id, field, value, 0, to));
        } else {
            Kind.ALL.forEach(kind -> things(kind, thing, field, value, to));
        }
    }

    private <E> boolean isTaken(Meant<E> m) {
        try {
            m.field().entered(plan, m.id(), m.value());
            return true;
        } catch (IllegalArgumentException e) {
            return false; // said when it is chosen
        }
    }

    private <E> Offer offer(Meant<E> m) {
        String name = plan.index().name(m.id());
        String now = m.field().shown(plan, m.id()).inForce();
        return new Offer(
                (later ? "Plan " : "Set ") + m.field().title() + " of " + name + " to "
                        + (m.value().isEmpty() ? "nothing" : m.value())
                        + (now.isEmpty() ? "" : " (now " + now + ")"),
                () -> new GearEdit(later ? planned(m, name) : entered(m, name, now), List.of()));
    }

    private <E> Edit entered(Meant<E> m, String name, String now) {
        return m.field()
                .edit(plan, m.id(), m.value())
                .orElseThrow(() ->
                        new IllegalArgumentException(m.field().title() + " of " + name + " is " + now + " already."));
    }

    private <E> Edit planned(Meant<E> m, String name) {
        Edit edit = SettingChange.entered(plan, m.id(), m.field(), m.value())
                .orElseThrow(() ->
                        new IllegalArgumentException(m.field().title() + " of " + name + " is planned so already."))
                .later();
        String before = m.field().shown(plan, m.id()).inForce();
        if (!m.field().shown(edit.applyTo(plan), m.id()).inForce().equals(before)) {
            throw new IllegalArgumentException(m.field().title() + " of " + name
                    + " is not a setting of the device, so it cannot be planned for later.");
        }
        return edit;
    }

    private <E> void things(Kind<E> kind, List<String> thing, List<String> field, String value, List<Meant<?>> to) {
        if (Entries.of(kind).stream().noneMatch(f -> isCalled(f, field))) {
            return;
        }
        String joined = String.join(" ", thing).toLowerCase(Locale.ROOT);
        for (E entity : plan.all(kind)) {
            Id<E> id = kind.idOf(entity);
            String called = called(id, entity).toLowerCase(Locale.ROOT);
            if (id.value().equals(joined) || called.equals(joined)) {
                fields(id, field, value, 0, to);
            } else if (matches(called, thing)) {
                fields(id, field, value, called.startsWith(joined) ? 1 : 2, to);
            }
        }
    }

    private String called(Id<?> id, Object entity) {
        if (entity instanceof Universe universe) {
            return universe.label();
        }
        return entity instanceof Fixture fixture
                ? fixture.label()
                : plan.index().name(id);
    }

    private static boolean matches(String called, List<String> words) {
        List<String> parts = parts(called);
        return parts(String.join(" ", words).toLowerCase(Locale.ROOT)).stream()
                .allMatch(w -> parts.stream().anyMatch(p -> p.startsWith(w)));
    }

    private static List<String> parts(String text) {
        return List.of(text.split("[^\\p{L}\\p{N}.]+", -1));
    }

    private <E> void fields(Id<E> id, List<String> words, String value, int likeness, List<Meant<?>> to) {
        String joined = String.join(" ", words).toLowerCase(Locale.ROOT);
        for (Field<E> field : Entries.of(id.kind())) {
            if (isCalled(field, words)) {
                boolean exact = field.key().equals(joined.replace(' ', '-'))
                        || field.title().toLowerCase(Locale.ROOT).equals(joined);
                to.add(new Meant<>(field, id, value, 2 * likeness + (exact ? 0 : 1)));
            }
        }
    }

    private static boolean isCalled(Field<?> field, List<String> words) {
        return !words.isEmpty()
                && (matches(field.key().replace('-', ' '), words)
                        || matches((field.group() + " " + field.title()).toLowerCase(Locale.ROOT), words));
    }
}
