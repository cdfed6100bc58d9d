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
import zentrel.lit.Vector;
import zentrel.path.SignalPaths;
import zentrel.plan.GroundPicture;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.PictureFile;
import zentrel.plan.PixelRun;
import zentrel.plan.Plan;

/** The picture of the place, in layers: what lies on the ground, the place and its light, pixels, marks. */
final class LitCanvas extends Pane {
    private static final Duration REST = Duration.millis(160);
    private static final double SLOWEST_FLASH = 3;
    private static final LitSight NOTHING = LitSight.of(LitPlan.of(new SignalPaths(Plan.EMPTY)));

    private final Layer ground = new Layer();
    private final Canvas base = new Canvas();
    private final Layer lit = new Layer();
    private final Canvas top = new Canvas();
    private final Rectangle clip = new Rectangle();
    private final LitPainter painter = new LitPainter(base.getGraphicsContext2D());
    private final LightPaint lights = new LightPaint();
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
        getChildren().addAll(ground, base, lit, top);
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
        drawAll();
    }

    /** Stand out, whatever is chosen. */
    void colour(Set<Id<?>> now) {
        coloured = now;
        drawAll();
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
        drawAll();
    }

    /** Ends of a length that is being said. */
    void measure(List<Vector> ends) {
        measured = ends;
        drawAll();
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
        lit.resize(width, height);
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
        drawAll();
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

    /** Draws the place, what is chosen and the light. */
    private void drawAll() {
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
        drawMarks(view);
        drawLit();
    }

    /** Draws all that levels change, which is done many times a second. */
    void drawLit() {
        if (base.getWidth() < 2) {
            return;
        }
        Camera.View view = view();
        int[] screen = lit.pixels();
        int across = lit.across();
        List<FixtureLook> looks = new ArrayList<>(sight.placed().size());
        lights.begin(across, screen.length / across);
        for (LitSight.Placed each : sight.placed()) {
            FixtureLook look = flashed(levels.look(each.lamp()));
            looks.add(look);
            if (!manner.lines()) {
                lights.add(view, sight.place(), each, look, manner.haze());
            }
        }
        lights.onto(screen, across);
        dots.draw(sight, view, levels.pixels(sight), screen, across);
        for (int i = 0; i < looks.size(); i++) {
            head(view, sight.placed().get(i), looks.get(i), screen, across);
        }
        lit.drawn();
    }

    private static void head(Camera.View view, LitSight.Placed lamp, FixtureLook look, int[] screen, int across) {
        if (view.isAhead(lamp.at())) {
            Camera.Spot spot = view.spot(lamp.at());
            int ring = lamp.lamp().dark().isPresent()
                    ? LitColours.FAILS_ARGB
                    : lamp.lamp().atRisk() ? LitColours.AT_RISK_ARGB : LitColours.SOFT_ARGB;
            PixelDots.head(screen, across, spot.x(), spot.y(), look.screen(), ring, look.cells());
        }
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

    private void drawMarks(Camera.View view) {
        GraphicsContext g = top.getGraphicsContext2D();
        g.clearRect(0, 0, top.getWidth(), top.getHeight());
        marks.begin();
        boolean numbers = manner.lines() || sight.placed().size() < 60;
        sight.placed().forEach(each -> marks.head(view, each, chosen, coloured, numbers));
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
        drawMarks(view());
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
        return picks().at(x, y, surroundings);
    }

    /** Fixtures and runs within a rectangle. */
    List<Id<?>> within(Rectangle around) {
        return picks().within(around);
    }

    private LitPicks picks() {
        return new LitPicks(sight, view(), dots);
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
