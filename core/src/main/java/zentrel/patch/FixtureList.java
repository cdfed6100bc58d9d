package zentrel.patch;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import zentrel.plan.*;
import zentrel.plan.PatchRow.SlotRun;
import zentrel.table.LeftOut;

/**
 * Fixtures as some program, paper or plan lists them.
 *
 * @param rows in the order of the list
 * @param has what it tells of each; the rest is not compared
 * @param leftOut rows that are no fixture, and why
 * @param told how it was read: which column was taken for what, and how start slots are written
 * @param style how start slots are written in it
 */
public record FixtureList(
        List<PatchRow> rows, Set<PatchColumn> has, List<LeftOut> leftOut, List<String> told, SlotStyle style) {
    public FixtureList {
        rows = List.copyOf(rows);
        has = Set.copyOf(has);
        leftOut = List.copyOf(leftOut);
        told = List.copyOf(told);
    }

    /** Rows of which nothing was left out. */
    public static FixtureList of(List<PatchRow> rows) {
        return new FixtureList(rows, told(rows), List.of(), List.of(), SlotStyle.USUAL);
    }

    /** A list that a plan holds. */
    public static FixtureList of(PatchList list) {
        return new FixtureList(list.rows(), Set.copyOf(list.columns()), List.of(), List.of(), list.style());
    }

    /** The fixtures of a plan; universes by the show's own numbers. */
    public static FixtureList of(Plan plan) {
        return of(plan.fixtures().stream().map(f -> row(plan, f)).toList());
    }

    /** A fixture of a plan as a list tells it. */
    public static PatchRow row(Plan plan, Fixture f) {
        List<SlotRun> runs = new ArrayList<>(f.breaks().size());
        for (Break b : f.breaks()) {
            runs.add(new SlotRun(plan.index().universe(b.universe()).number(), b.start(), b.footprint()));
        }
        return new PatchRow(
                f.number(),
                f.name(),
                f.type(),
                f.mode(),
                runs,
                f.place(),
                f.use().position(),
                f.use().purpose(),
                f.use().unit(),
                f.use().note());
    }

    /** The row of one fixture: by its number, else by its start slot where either has no number. One pass, no comparison. */
    public Optional<PatchRow> find(PatchRow fixture) {
        String number = FixtureNumber.plain(fixture.number());
        Optional<PatchRow> byPlace = Optional.empty();
        for (PatchRow row : rows) {
            String other = FixtureNumber.plain(row.number());
            if (!number.isEmpty() && number.equals(other)) {
                return Optional.of(row);
            }
            if ((number.isEmpty() || other.isEmpty()) && byPlace.isEmpty() && startsAlike(row, fixture)) {
                byPlace = Optional.of(row);
            }
        }
        return byPlace;
    }

    private static boolean startsAlike(PatchRow one, PatchRow other) {
        return !one.runs().isEmpty()
                && !other.runs().isEmpty()
                && one.runs().get(0).universe() == other.runs().get(0).universe()
                && one.runs().get(0).slot() == other.runs().get(0).slot();
    }

    /** The list as a plan holds it. */
    public PatchList kept(Id<PatchList> id, String name, Optional<Id<Application>> program) {
        return new PatchList(id, name, program, has.stream().sorted().toList(), style, rows);
    }

    private static Set<PatchColumn> told(List<PatchRow> rows) {
        Set<PatchColumn> has = EnumSet.noneOf(PatchColumn.class);
        for (PatchRow row : rows) {
            note(has, PatchColumn.NUMBER, row.number());
            note(has, PatchColumn.LABEL, row.label());
            note(has, PatchColumn.TYPE, row.type());
            note(has, PatchColumn.MODE, row.mode());
            note(has, PatchColumn.PLACE, row.place());
            note(has, PatchColumn.PURPOSE, row.purpose());
            note(has, PatchColumn.UNIT, row.unit());
            note(has, PatchColumn.NOTE, row.note());
            row.position().ifPresent(p -> has.add(PatchColumn.POSITION));
            if (!row.runs().isEmpty()) {
                has.add(PatchColumn.UNIVERSE);
                has.add(PatchColumn.SLOT);
            }
            if (row.footprint() > 0) {
                has.add(PatchColumn.FOOTPRINT);
            }
        }
        return has;
    }

    private static void note(Set<PatchColumn> has, PatchColumn column, String value) {
        if (!value.isEmpty()) {
            has.add(column);
        }
    }
}
