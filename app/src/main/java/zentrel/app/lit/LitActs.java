package zentrel.app.lit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import zentrel.app.document.OpenDocument;
import zentrel.app.document.Removal;
import zentrel.gear.GearEdit;
import zentrel.gear.PlaceEdits;
import zentrel.gear.Spots;
import zentrel.lit.Vector;
import zentrel.plan.BodyForm;
import zentrel.plan.Edit;
import zentrel.plan.Fixture;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.Plan;
import zentrel.plan.Position;
import zentrel.plan.Surrounding;

/** What is done with what is chosen, and with the place. */
final class LitActs {
    private static final double ROW_STEP = 1;
    private static final int ROW_COLUMNS = 12;

    private final OpenDocument document;
    private final LitCanvas canvas;
    private final Supplier<Set<Id<?>>> chosen;

    LitActs(OpenDocument document, LitCanvas canvas, Supplier<Set<Id<?>>> chosen) {
        this.document = document;
        this.canvas = canvas;
        this.chosen = chosen;
    }

    private void make(Supplier<Edit> edit) {
        document.make(() -> new GearEdit(edit.get(), List.of()), made -> {});
    }

    void move(double right, double away, double up) {
        if ((right != 0 || away != 0 || up != 0) && any("Move")) {
            List<Id<?>> ids = List.copyOf(chosen.get());
            make(() -> PlaceEdits.move(document.plan(), ids, right, away, up));
        }
    }

    void turn(double degrees) {
        if (any("Turn")) {
            List<Id<?>> ids = List.copyOf(chosen.get());
            make(() -> PlaceEdits.turn(document.plan(), ids, degrees));
        }
    }

    void remove() {
        List<Id<?>> ids = chosen.get().stream()
                .filter(id -> id.is(Kind.SURROUNDING) || id.is(Kind.GROUND_PICTURE))
                .toList();
        if (ids.isEmpty()) {
            document.tell("Here only surroundings and pictures are removed; fixtures are, on the Patch page.");
        } else {
            Removal.of(document, new ArrayList<>(ids));
        }
    }

    private boolean any(String what) {
        if (chosen.get().isEmpty()) {
            document.tell(what + " what? Click fixtures first; surroundings, once they can be hit.");
            return false;
        }
        return true;
    }

    /** The chosen fixtures, in the order in which they were chosen. */
    List<Fixture> fixtures() {
        Plan plan = document.plan();
        return chosen.get().stream()
                .flatMap(id -> id.as(Kind.FIXTURE).flatMap(plan.index()::find).stream())
                .toList();
    }

    void point(Vector at) {
        List<Fixture> fixtures = fixtures();
        if (fixtures.isEmpty()) {
            document.tell("Point what? Click fixtures first.");
        } else {
            make(() -> PlaceEdits.point(fixtures, at.position()));
        }
    }

    /** Puts the chosen fixtures, or those that have no place yet, in rows from a spot on. */
    void put(Vector at, boolean standing) {
        List<Fixture> some = fixtures();
        List<Fixture> fixtures = some.isEmpty() ? canvas.sight().unplaced() : some;
        if (fixtures.isEmpty()) {
            document.tell("Every fixture has its place; choose those that are to stand elsewhere.");
            return;
        }
        Position first = at.position();
        make(() -> PlaceEdits.put(
                fixtures, Spots.grid(first, ROW_COLUMNS, ROW_STEP, ROW_STEP, fixtures.size()), Optional.of(standing)));
    }

    /** Builds a body where somebody looks. */
    void build(BodyForm form) {
        Position at = form == BodyForm.ROOM
                ? new Vector(canvas.middle().x(), canvas.middle().y(), 0).position()
                : canvas.middle().position();
        Position tidy = new Position(tenth(at.x()), tenth(at.y()), at.z());
        document.make(
                () -> new GearEdit(
                        PlaceEdits.build(document.plan(), form, "", PlaceEdits.usualSize(form), 0, List.of(tidy)),
                        List.of()),
                made -> {
                    List<Surrounding> all = document.plan().surroundings();
                    document.select(all.get(all.size() - 1).id()); // its size is set in the margin
                });
    }

    private static double tenth(double metres) {
        return Math.round(metres * 10) / 10.0;
    }

    /** Keeps what is seen as a viewpoint. */
    void keepView() {
        Plan plan = document.plan();
        Position eye = canvas.camera().eye().position();
        Position target = canvas.camera().target().position();
        make(() -> PlaceEdits.view(plan, "View " + (plan.viewpoints().size() + 1), eye, target));
    }
}
