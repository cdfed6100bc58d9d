package zentrel.app.lit;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.scene.shape.Rectangle;
import org.jspecify.annotations.Nullable;
import zentrel.lit.Camera;
import zentrel.lit.Place;
import zentrel.lit.Ray;
import zentrel.plan.BodyForm;
import zentrel.plan.Id;

/** What the mouse is on. */
final class LitPicks {
    private static final double GRAB = 10;

    private final LitSight sight;
    private final Camera.View view;
    private final PixelDots dots;

    /** @param dots as they were drawn last */
    LitPicks(LitSight sight, Camera.View view, PixelDots dots) {
        this.sight = sight;
        this.view = view;
        this.dots = dots;
    }

    /** What is at a spot: a fixture, a pixel run, and where they can be hit, a surrounding or a picture. */
    Optional<Id<?>> at(double x, double y, boolean surroundings) {
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
}
