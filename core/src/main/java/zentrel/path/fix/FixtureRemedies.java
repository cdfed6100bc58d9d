package zentrel.path.fix;

import java.util.Optional;
import zentrel.plan.Break;
import zentrel.plan.Edit;
import zentrel.plan.Fixture;
import zentrel.plan.Line;

/** The edits that mend what is wrong with a fixture: its line, its slots. */
final class FixtureRemedies {
    private FixtureRemedies() {}

    /** The fixture on a line; parts that have a line of their own stay on it. */
    static Edit hang(Fixture fixture, Line on, String name) {
        return new Edit(
                "Connect " + fixture.label() + " to " + name,
                p -> p.with(fixture.id(), f -> f.withLine(Optional.of(on.id()))));
    }

    /** The whole fixture on another line, or one of its parts where it has several. */
    static Edit hang(Fixture fixture, Break part, Line on, String name) {
        if (fixture.breaks().size() == 1) {
            return new Edit(
                    "Connect " + fixture.label() + " to " + name,
                    p -> p.with(
                            fixture.id(), f -> f.withLine(Optional.of(on.id())).withoutBreakLines()));
        }
        int at = fixture.breaks().indexOf(part);
        return new Edit(
                "Connect slots " + part.start() + " to " + part.end() + " of " + fixture.label() + " by " + name,
                p -> p.with(
                        fixture.id(), f -> f.withBreak(at, f.breaks().get(at).withLine(Optional.of(on.id())))));
    }

    static Edit repatch(Fixture fixture, int breakIndex, int start) {
        return new Edit(
                "Move " + fixture.label() + " to slot " + start,
                p -> p.with(fixture.id(), f -> {
                    Break b = f.breaks().get(breakIndex);
                    return f.withBreak(breakIndex, b.startingAt(start));
                }));
    }
}
