package zentrel.app.lit;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javafx.animation.PauseTransition;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Rectangle;
import javafx.util.Duration;
import org.jspecify.annotations.Nullable;
import zentrel.app.lit.GroundPaint.Decoded;
import zentrel.app.lit.LitPainter.Manner;
import zentrel.lit.Body;
import zentrel.lit.Bounds;
import zentrel.lit.Camera;
import zentrel.lit.FixtureLook;
import zentrel.lit.LitPlan;
import zentrel.lit.Place;
import zentrel.lit.Ray;
import zentrel.lit.Vector;
import zentrel.path.SignalPaths;
import zentrel.plan.BodyForm;
import zentrel.plan.GroundPicture;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.PictureFile;
import zentrel.plan.PixelRun;
import zentrel.plan.Plan;

/** The picture of the place, in layers: what lies on the ground, the place and its light, pixels, marks. */
final class LitCanvas extends Pane {
    private static final double GRAB = 10;
    private static final Duration REST = Duration.millis(160);
    private static final double SLOWEST_FLASH = 3;
    private static final LitSight NOTHING = LitSight.of(LitPlan.of(new SignalPaths(Plan.EMPTY)));

    private final Layer ground = new Layer();
    private final Canvas base = new Canvas();
    private final Layer pixels = new Layer();
    private final Canvas top = new Canvas();
    private final Rectangle clip = new Rectangle();
    private final LitPainter painter = new LitPainter(base.getGraphicsContext2D());
    private final LitMarks marks = new LitMarks(top.getGraphicsContext2D());
    private final PixelDots dots = new PixelDots();
    private final LitLevels levels;
    private final Map<PictureFile, Decoded> decoded = new HashMap<>();
    private final PauseTransition rest = new PauseTransition(REST);
    private final Set<Id<?>> chosen = new LinkedHashSet<>();
    private Set<Id<?>> coloured = Set.of();
    private LitSight sight = NOTHING;
    private Camera camera = new Camera(new Vector(0, 0, 0), 0, 35, 20, false);
    private Manner manner = new Manner(0.3, true, false);
    private boolean surroundings;
    private boolean fitted = true;
    private List<Vector> measured = List.of();

    LitCanvas(LitLevels levels) {
        this.levels = levels;
        setId("lit-picture");
        setAccessibleText("The place, lit by what arrives");
        setFocusTraversable(true);
        getStyleClass().addAll("pixel-layout", "in-the-dark");
        base.setMouseTransparent(true);
        top.setMouseTransparent(true);
        getChildren().addAll(ground, base, pixels, top);
        setClip(clip);
        setMinSize(80, 80);
        widthProperty().addListener(o -> resized());
        heightProperty().addListener(o -> resized());
        rest.setOnFinished(e -> drawGround(false));
    }

    // --- what is shown ---

    void show(LitSight now) {
        sight = now;
        decoded.keySet()
                .retainAll(now.plan().groundPictures().stream()
                        .map(GroundPicture::picture)
                        .toList());
        if (fitted) {
            showAll();
        } else {
            draw();
        }
    }

    LitSight sight() {
        return sight;
    }

    /** A picture of the ground, decoded meanwhile. */
    void decoded(PictureFile file, Decoded picture) {
        decoded.put(file, picture);
        draw();
    }

    boolean isDecoded(PictureFile file) {
        return decoded.containsKey(file);
    }

    void choose(Set<Id<?>> now) {
        chosen.clear();
        chosen.addAll(now);
        drawLit();
    }

    /** Stand out, whatever is chosen. */
    void colour(Set<Id<?>> now) {
        coloured = now;
        drawLit();
    }

    void manner(Manner now) {
        manner = now;
        draw();
    }

    Manner manner() {
        return manner;
    }

    /** Whether surroundings can be hit. */
    void hitSurroundings(boolean now) {
        surroundings = now;
        drawLit();
    }

    /** Ends of a length that is being said. */
    void measure(List<Vector> ends) {
        measured = ends;
        drawLit();
    }

    // --- looking ---

    Camera camera() {
        return camera;
    }

    void look(Camera now) {
        fitted = false;
        camera = now;
        draw();
    }

    /** The whole place, as it was at first. */
    void showAll() {
        fitted = true;
        camera = new Camera(new Vector(0, 0, 0), 0, 35, 20, false).fitted(sight.bounds(), aspect());
        draw();
    }

    /** The whole place in the direction in which is looked now. */
    void fit() {
        look(camera.fitted(sight.bounds(), aspect()));
    }

    /** What is chosen, nearer. */
    void showChosen() {
        List<Vector> places =
                chosen.stream().flatMap(id -> sight.at(id).stream()).toList();
        if (places.isEmpty()) {
            return;
        }
        Bounds bounds = Bounds.of(places.get(0));
        for (Vector each : places) {
            bounds = bounds.and(each.plus(new Vector(2, 2, 2))).and(each.minus(new Vector(2, 2, 2)));
        }
        look(camera.fitted(bounds, aspect()));
    }

    private double aspect() {
        return getHeight() == 0 ? 1 : getWidth() / getHeight();
    }

    Camera.View view() {
        return camera.on(base.getWidth(), base.getHeight());
    }

    // --- drawing ---

    private void resized() {
        int width = (int) Math.max(1, Math.floor(getWidth()));
        int height = (int) Math.max(1, Math.floor(getHeight()));
        clip.setWidth(width);
        clip.setHeight(height);
        ground.resize(width, height);
        pixels.resize(width, height);
        for (Canvas canvas : List.of(base, top)) {
            canvas.setWidth(width);
            canvas.setHeight(height);
        }
        if (fitted) {
            showAll();
        } else {
            draw();
        }
    }

    private void draw() {
        drawGround(true);
        drawLit();
        rest.playFromStart();
    }

    private void drawGround(boolean coarse) {
        boolean any = !manner.lines() && !decoded.isEmpty();
        ground.setVisible(any);
        if (any) {
            GroundPaint.draw(
                    sight.plan().groundPictures(),
                    decoded,
                    view(),
                    ground.pixels(),
                    ground.across(),
                    manner.houseLight(),
                    coarse);
            ground.drawn();
        }
    }

    /** Draws all that light and choice change. */
    void drawLit() {
        if (base.getWidth() < 2) {
            return;
        }
        Camera.View view = view();
        GraphicsContext g = base.getGraphicsContext2D();
        g.clearRect(0, 0, base.getWidth(), base.getHeight());
        if (sight.plan().groundPictures().stream().noneMatch(p -> decoded.containsKey(p.picture())) || manner.lines()) {
            painter.grid(view, sight.bounds());
        }
        painter.bodies(view, sight.place(), manner);
        List<FixtureLook> looks = new ArrayList<>(sight.placed().size());
        for (LitSight.Placed each : sight.placed()) {
            FixtureLook look = flashed(levels.look(each.lamp()));
            looks.add(look);
            if (!manner.lines()) {
                painter.light(view, sight.place(), each, look, manner);
            }
        }
        dots.draw(sight, view, levels.pixels(sight), pixels.pixels(), pixels.across());
        pixels.drawn();
        drawMarks(view, looks);
    }

    /** A strobe goes on and off, slower than it would hurt to look at. */
    private static FixtureLook flashed(FixtureLook look) {
        if (look.strobe() < 0.1) {
            return look;
        }
        double rate = Math.min(SLOWEST_FLASH, look.strobe());
        return System.nanoTime() / 1e9 * rate % 1 < 0.5
                ? look
                : look.withRed(0).withGreen(0).withBlue(0).withCells(List.of());
    }

    private void drawMarks(Camera.View view, List<FixtureLook> looks) {
        GraphicsContext g = top.getGraphicsContext2D();
        g.clearRect(0, 0, top.getWidth(), top.getHeight());
        marks.begin();
        boolean numbers = manner.lines() || sight.placed().size() < 60;
        for (int i = 0; i < looks.size(); i++) {
            marks.head(view, sight.placed().get(i), looks.get(i), chosen, coloured, numbers);
        }
        for (Body body : sight.place().bodies()) {
            boolean picked = chosen.contains(body.of().id());
            Vector at = body.corner(0, 0, 1);
            if ((picked || surroundings) && view.isAhead(at)) {
                Camera.Spot spot = view.spot(at);
                marks.name(spot.x(), spot.y(), body.of().name(), picked);
                if (picked) {
                    marks.corners(spot.x(), spot.y());
                }
            }
        }
        for (int r = 0; r < sight.lit().pixels().runs().size(); r++) {
            run(view, r);
        }
        measured(g, view);
    }

    private void run(Camera.View view, int r) {
        PixelRun run = sight.lit().pixels().runs().get(r);
        boolean picked = chosen.contains(run.id())
                || run.fixture().filter(chosen::contains).isPresent();
        boolean stands = coloured.contains(run.id())
                || run.fixture().filter(coloured::contains).isPresent();
        if (!picked && !stands) {
            return;
        }
        Vector at = sight.point(
                (sight.lit().pixels().first(r) + sight.lit().pixels().first(r + 1)) / 2);
        if (view.isAhead(at)) {
            Camera.Spot spot = view.spot(at);
            marks.corners(spot.x(), spot.y());
            marks.name(spot.x(), spot.y(), run.name(), picked);
        }
    }

    private void measured(GraphicsContext g, Camera.View view) {
        g.setStroke(LitColours.HEATHER);
        g.setLineWidth(2);
        for (int i = 1; i < measured.size(); i++) {
            List<Camera.Spot> line = view.line(measured.get(i - 1), measured.get(i));
            if (line.size() == 2) {
                g.strokeLine(
                        line.get(0).x(),
                        line.get(0).y(),
                        line.get(1).x(),
                        line.get(1).y());
            }
        }
        for (Vector end : measured) {
            if (view.isAhead(end)) {
                Camera.Spot spot = view.spot(end);
                g.strokeOval(spot.x() - 4, spot.y() - 4, 8, 8);
            }
        }
        g.setLineWidth(1);
    }

    /** Where somebody draws a rectangle, or nothing. */
    void lasso(@Nullable Rectangle around) {
        drawLit();
        if (around != null) {
            GraphicsContext g = top.getGraphicsContext2D();
            g.setStroke(LitColours.HEATHER);
            g.setLineDashes(3, 3);
            g.strokeRect(around.getX(), around.getY(), around.getWidth(), around.getHeight());
            g.setLineDashes();
        }
    }

    // --- what is where ---

    /** What is at a spot: a fixture, a pixel run, and where they can be hit, a surrounding or a picture. */
    Optional<Id<?>> at(double x, double y) {
        Camera.View view = view();
        double best = GRAB * GRAB;
        @Nullable Id<?> found = null;
        for (LitSight.Placed each : sight.placed()) {
            if (view.isAhead(each.at())) {
                Camera.Spot spot = view.spot(each.at());
                double d = (spot.x() - x) * (spot.x() - x) + (spot.y() - y) * (spot.y() - y);
                if (d < best) {
                    best = d;
                    found = each.fixture().id();
                }
            }
        }
        if (found != null) {
            return Optional.of(found);
        }
        int pixel = dots.at(x, y, GRAB * 0.7);
        if (pixel >= 0) {
            return Optional.of(sight.lit()
                    .pixels()
                    .runs()
                    .get(sight.lit().pixels().runOf(pixel))
                    .id());
        }
        return surroundings ? surroundingAt(view.ray(x, y)) : Optional.empty();
    }

    private Optional<Id<?>> surroundingAt(Ray ray) {
        Optional<Place.Hit> hit = sight.place().seen(ray);
        Optional<Id<?>> body = hit.flatMap(Place.Hit::on)
                .filter(s -> s.form() != BodyForm.ROOM)
                .map(s -> s.id());
        return body.or(() -> hit.flatMap(h -> sight.plan().groundPictures().stream()
                .filter(p -> p.covers(h.at().x(), h.at().y()))
                .reduce((a, b) -> b)
                .map(p -> p.id())));
    }

    /** Fixtures and runs within a rectangle. */
    List<Id<?>> within(Rectangle around) {
        Camera.View view = view();
        Set<Id<?>> found = new LinkedHashSet<>();
        for (LitSight.Placed each : sight.placed()) {
            if (view.isAhead(each.at())) {
                Camera.Spot spot = view.spot(each.at());
                if (around.contains(spot.x(), spot.y())) {
                    found.add(each.fixture().id());
                }
            }
        }
        for (int i = 0; i < dots.count(); i++) {
            if (around.contains(dots.x(i), dots.y(i))) {
                found.add(sight.lit()
                        .pixels()
                        .runs()
                        .get(sight.lit().pixels().runOf(i))
                        .id());
            }
        }
        return List.copyOf(found);
    }

    /** What is seen at a spot, on bodies or on the ground; empty for the sky. */
    Optional<Vector> onPlace(double x, double y) {
        return sight.place().seen(view().ray(x, y)).map(Place.Hit::at);
    }

    /** Where what is in the middle stands on the ground. */
    Vector middle() {
        Vector target = camera.target();
        return new Vector(target.x(), target.y(), sight.place().under(target.x(), target.y()));
    }

    /** Whether an id is of what can be moved here. */
    static boolean isOfPlace(Id<?> id) {
        return List.<Kind<?>>of(Kind.FIXTURE, Kind.PIXEL_RUN, Kind.SURROUNDING, Kind.GROUND_PICTURE).stream()
                .anyMatch(k -> id.is(k));
    }
}
