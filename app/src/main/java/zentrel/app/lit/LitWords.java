package zentrel.app.lit;

import java.util.Locale;
import java.util.Optional;
import zentrel.lit.Beam;
import zentrel.lit.FixtureLook;
import zentrel.lit.Lamp;
import zentrel.lit.Place;
import zentrel.plan.Position;
import zentrel.plan.Surrounding;

/** What is said of a fixture in the place. */
final class LitWords {
    private LitWords() {}

    /** Its label, why it is dark or what it shows, and where its light falls. */
    static String of(LitSight sight, Lamp lamp, FixtureLook look) {
        StringBuilder text = new StringBuilder(lamp.fixture().label());
        lamp.dark().ifPresent(d -> text.append(" · ").append(d.brief()));
        if (look.brightness() > 0) {
            text.append(" · ").append(Math.round(look.brightness() * 100)).append(" %");
            text.append(String.format(Locale.ROOT, " #%06X", look.hue() & 0xFFFFFF));
        } else if (lamp.dark().isEmpty()) {
            text.append(" · dark, by its levels");
        }
        if (!lamp.reader().isKnown()) {
            text.append(" · what its slots do is not known: as bright as the highest");
        }
        sight.find(lamp.fixture().id()).ifPresent(p -> {
            Beam beam = p.beam(look);
            Optional<Place.Hit> hit = sight.place().hit(beam.middle());
            text.append(hit.map(h -> " · falls on "
                            + h.on().map(Surrounding::name).orElse("the ground") + ", "
                            + Position.plain(Math.round(h.distance() * 10) / 10.0) + " m away")
                    .orElse(" · shines into the sky"));
        });
        return text.toString();
    }
}
