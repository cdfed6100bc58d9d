package zentrel.gear;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import zentrel.lit.Place;
import zentrel.plan.*;
import zentrel.text.Counted;

/** Edits of the place: its bodies, pictures and viewpoints, and where things are in it. */
public final class PlaceEdits {
    /** The most bodies that one line adds. */
    public static final int MOST_COPIES = 1_000;

    private PlaceEdits() {}

    /** A size that a body of a form has until somebody says another, metres. */
    public static BodySize usualSize(BodyForm form) {
        return switch (form) {
            case ROOM -> new BodySize(12, 8, 4);
            case WALL -> new BodySize(4, 0.2, 3);
            case FLOOR -> new BodySize(6, 4, 0);
            case PLATFORM -> new BodySize(6, 4, 0.8);
            case STEPS -> new BodySize(1.5, 0.9, 0.6);
            case POLE -> new BodySize(0.1, 0.1, 3);
            case TREE -> new BodySize(3, 3, 5);
            case BLOCK -> new BodySize(2, 2, 2);
        };
    }

    /**
     * Adds bodies, one at each place; what is on something that carries stands on it.
     *
     * @param name blank for that of its form; several are numbered
     */
    public static Edit build(Plan plan, BodyForm form, String name, BodySize size, double turn, List<Position> places) {
        if (places.isEmpty() || places.size() > MOST_COPIES) {
            throw new IllegalArgumentException("Build 1 to " + MOST_COPIES + " at a time, not " + places.size() + ".");
        }
        String title = name.isBlank()
                ? form.word().substring(0, 1).toUpperCase(Locale.ROOT)
                        + form.word().substring(1)
                : name;
        Place place = Place.of(plan.surroundings());
        Ids ids = new Ids(plan);
        Set<String> taken = new HashSet<>();
        plan.surroundings().forEach(s -> taken.add(s.name()));
        List<Surrounding> made = new ArrayList<>();
        int number = 1;
        for (Position at : places) {
            String each = title;
            while (!taken.add(each) || (places.size() > 1 && each.equals(title))) {
                each = title + " " + number++;
            }
            Position on = at.z() == 0 && form != BodyForm.ROOM && form != BodyForm.FLOOR
                    ? new Position(at.x(), at.y(), place.under(at.x(), at.y()))
                    : at;
            made.add(new Surrounding(Kind.SURROUNDING.id(ids.next(Ids.of(each, "body"))), each, form, on, size, turn));
        }
        String said = made.size() == 1 ? made.get(0).name() : made.size() + " × " + title;
        return new Edit("Build " + said, p -> {
            List<Surrounding> all = new ArrayList<>(p.surroundings());
            all.addAll(made);
            return p.with(Kind.SURROUNDING, all);
        });
    }

    /** Keeps a viewpoint. */
    public static Edit view(Plan plan, String name, Position eye, Position target) {
        Viewpoint made = new Viewpoint(Kind.VIEWPOINT.id(Ids.free(plan, Ids.of(name, "view"))), name, eye, target);
        return new Edit("Keep the view " + name, p -> p.and(Kind.VIEWPOINT, made));
    }

    /** Lays a picture on the ground; its known length is to be told yet. */
    public static Edit picture(Plan plan, String name, Position corner, PictureFile file) {
        KnownLength known = file.isThere()
                ? new KnownLength(0, 0, file.width(), 0, Math.max(1, Math.round(file.width() / 20.0)))
                : GroundPicture.UNKNOWN;
        GroundPicture made = new GroundPicture(
                Kind.GROUND_PICTURE.id(Ids.free(plan, Ids.of(name, "picture"))), name, corner, 0, known, file);
        return new Edit("Lay " + name + " on the ground", p -> p.and(Kind.GROUND_PICTURE, made));
    }

    /** Another picture in the place of one. */
    public static Edit picture(GroundPicture picture, PictureFile file) {
        return new Edit(
                "Take another picture for " + picture.name(), p -> p.with(picture.id(), g -> g.withPicture(file)));
    }

    /**
     * Scales a picture by a known length; what stands on it follows. Its bodies grow along the ground, for they were drawn after the
     * picture; heights stay.
     */
    public static Edit known(GroundPicture picture, KnownLength known) {
        double by = known.metresPerPixel() / picture.known().metresPerPixel();
        return new Edit(
                "Say that a length of " + picture.name() + " is " + Position.plain(known.metres()) + " m", p -> {
                    UnaryOperator<Position> follow = at -> picture.covers(at.x(), at.y())
                            ? new Position(
                                    scaled(at.x(), picture.position().x(), by),
                                    scaled(at.y(), picture.position().y(), by),
                                    at.z())
                            : at;
                    return moved(p, follow)
                            .with(
                                    Kind.SURROUNDING,
                                    p.surroundings().stream()
                                            .map(s -> picture.covers(
                                                            s.position().x(),
                                                            s.position().y())
                                                    ? s.withPosition(follow.apply(s.position()))
                                                            .withSize(new BodySize(
                                                                    s.size().width() * by,
                                                                    s.size().depth() * by,
                                                                    s.size().height()))
                                                    : s)
                                            .toList())
                            .with(picture.id(), g -> g.withKnown(known));
                });
    }

    private static double scaled(double at, double from, double by) {
        return Spots.millimetre(from + (at - from) * by);
    }

    /** Every fixture, run and viewpoint where it is moved to. */
    private static Plan moved(Plan plan, UnaryOperator<Position> to) {
        return plan.with(
                        Kind.FIXTURE,
                        plan.fixtures().stream()
                                .map(f -> f.withUse(
                                        f.use().withPosition(f.use().position().map(to))))
                                .toList())
                .with(
                        Kind.PIXEL_RUN,
                        plan.pixelRuns().stream()
                                .map(r -> r.withPlacing(
                                        r.placing().withAt(to.apply(r.placing().at()))))
                                .toList())
                .with(
                        Kind.VIEWPOINT,
                        plan.viewpoints().stream()
                                .map(v -> v.withEye(to.apply(v.eye())).withTarget(to.apply(v.target())))
                                .toList());
    }

    /** Where something is, if it is of the place. */
    private static final ByKind<Optional<Position>> AT = new ByKind<Optional<Position>>()
            .with(Kind.FIXTURE, (index, f) -> f.use().position())
            .with(Kind.SURROUNDING, (index, s) -> Optional.of(s.position()))
            .with(Kind.GROUND_PICTURE, (index, g) -> Optional.of(g.position()))
            .with(Kind.VIEWPOINT, (index, v) -> Optional.of(v.target()))
            .with(Kind.PIXEL_RUN, (index, r) -> Optional.of(r.placing().at()));

    /** Where something is; empty for what has no place. */
    public static Optional<Position> at(Plan plan, Id<?> id) {
        return AT.of(plan.index(), id).flatMap(at -> at);
    }

    /** Moves things by metres. */
    public static Edit move(Plan plan, Collection<? extends Id<?>> ids, double right, double away, double up) {
        return each(
                plan,
                ids,
                "Move",
                at -> new Position(
                        Spots.millimetre(at.x() + right),
                        Spots.millimetre(at.y() + away),
                        Spots.millimetre(at.z() + up)),
                0);
    }

    /** Turns things clockwise seen from above, around their common middle. */
    public static Edit turn(Plan plan, Collection<? extends Id<?>> ids, double degrees) {
        List<Position> places =
                ids.stream().flatMap(id -> at(plan, id).stream()).toList();
        double x = places.stream().mapToDouble(Position::x).average().orElse(0);
        double y = places.stream().mapToDouble(Position::y).average().orElse(0);
        double cos = Math.cos(Math.toRadians(degrees));
        double sin = Math.sin(Math.toRadians(degrees));
        return each(
                plan,
                ids,
                "Turn",
                at -> new Position(
                        Spots.millimetre(x + (at.x() - x) * cos + (at.y() - y) * sin),
                        Spots.millimetre(y - (at.x() - x) * sin + (at.y() - y) * cos),
                        at.z()),
                degrees);
    }

    private static double turned(double turn, double by) {
        return Math.floorMod(Math.round((turn + by) * 10), 3600L) / 10.0;
    }

    private static Edit each(
            Plan plan, Collection<? extends Id<?>> ids, String what, UnaryOperator<Position> to, double turn) {
        if (ids.isEmpty()) {
            throw new IllegalArgumentException(what + " what? Nothing is chosen.");
        }
        String said = ids.size() == 1 ? plan.index().name(ids.iterator().next()) : Counted.of(ids.size(), "thing");
        Set<Id<?>> all = new HashSet<>(ids);
        return new Edit(what + " " + said, p -> {
            Plan next = p;
            for (Id<?> id : all) {
                next = one(next, id, to, turn);
            }
            return next;
        });
    }

    private static Plan one(Plan plan, Id<?> id, UnaryOperator<Position> to, double turn) {
        Optional<Plan> fixture = id.as(Kind.FIXTURE)
                .map(f -> plan.with(
                        f,
                        x -> x.withUse(x.use()
                                .withPosition(x.use().position().map(to))
                                .withAim(x.use()
                                        .aim()
                                        .withTurn(turned(x.use().aim().turn(), turn))))));
        return fixture.or(() -> id.as(Kind.SURROUNDING)
                        .map(s -> plan.with(
                                s, x -> x.withPosition(to.apply(x.position())).withTurn(turned(x.turn(), turn)))))
                .or(() -> id.as(Kind.GROUND_PICTURE)
                        .map(g -> plan.with(
                                g, x -> x.withPosition(to.apply(x.position())).withTurn(turned(x.turn(), turn)))))
                .or(() -> id.as(Kind.PIXEL_RUN)
                        .map(r -> plan.with(
                                r,
                                x -> x.withPlacing(
                                        x.placing().withAt(to.apply(x.placing().at()))))))
                .or(() -> id.as(Kind.VIEWPOINT)
                        .map(v -> plan.with(v, x -> x.withEye(to.apply(x.eye())).withTarget(to.apply(x.target())))))
                .orElse(plan);
    }

    /**
     * Puts fixtures in places, in their order.
     *
     * @param standing whether they stand; empty to leave it
     */
    public static Edit put(List<Fixture> fixtures, List<Position> places, Optional<Boolean> standing) {
        if (fixtures.isEmpty() || fixtures.size() != places.size()) {
            throw new IllegalArgumentException(
                    "Each of " + Counted.of(fixtures.size(), "fixture") + " needs a place of its own.");
        }
        Map<Id<Fixture>, Position> to = new HashMap<>();
        for (int i = 0; i < places.size(); i++) {
            to.put(fixtures.get(i).id(), places.get(i));
        }
        return new Edit(
                standing.map(s -> s ? "Stand " : "Hang ").orElse("Place ") + said(fixtures),
                p -> uses(
                        p,
                        to.keySet(),
                        f -> f.use()
                                .withPosition(Optional.ofNullable(to.get(f.id())))
                                .withAim(standing.map(f.use().aim()::withStanding)
                                        .orElse(f.use().aim()))));
    }

    /**
     * Points fixtures at a place.
     *
     * @throws IllegalArgumentException with a sentence, where one has no place itself
     */
    public static Edit point(List<Fixture> fixtures, Position at) {
        fixtures.stream().filter(f -> f.use().position().isEmpty()).findFirst().ifPresent(f -> {
            throw new IllegalArgumentException(f.label() + " has no position yet; hang or stand it first.");
        });
        Set<Id<Fixture>> ids = new HashSet<>();
        fixtures.forEach(f -> ids.add(f.id()));
        return new Edit(
                "Point " + said(fixtures) + " at " + at,
                p -> uses(
                        p,
                        ids,
                        f -> f.use()
                                .withAim(
                                        f.use().aim().pointed(f.use().position().orElse(at), at))));
    }

    private static Plan uses(Plan plan, Set<Id<Fixture>> ids, Function<Fixture, FixtureUse> use) {
        return plan.with(
                Kind.FIXTURE,
                plan.fixtures().stream()
                        .map(f -> ids.contains(f.id()) ? f.withUse(use.apply(f)) : f)
                        .toList());
    }

    private static String said(List<Fixture> fixtures) {
        return fixtures.size() == 1 ? fixtures.get(0).label() : Counted.of(fixtures.size(), "fixture");
    }
}
