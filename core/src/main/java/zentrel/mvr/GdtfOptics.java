package zentrel.mvr;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.Predicate;
import zentrel.plan.FixtureOptics;

/** Reads how wide the beam of a GDTF fixture type is and how far its head moves (DIN SPEC 15800: BeamAngle, PhysicalFrom, PhysicalTo; Sources says how surely). */
final class GdtfOptics {
    private static final double WIDEST = 170;
    private static final double FARTHEST = 3600;

    private GdtfOptics() {}

    /** What the type tells; what it does not is as usual. */
    static FixtureOptics of(XmlElement type) {
        List<Double> beams = new ArrayList<>();
        each(type, e -> e.name().equals("Beam"), e -> beams.add(number(e.attribute("BeamAngle"))));
        double beam =
                beams.stream().filter(b -> b > 0 && b <= WIDEST).findFirst().orElse(FixtureOptics.USUAL.beam());
        List<Double> zoom = physical(type, "Zoom");
        boolean zooms = zoom.stream().anyMatch(z -> Math.abs(z) > 0 && Math.abs(z) <= WIDEST);
        double narrow = zooms
                ? zoom.stream()
                        .mapToDouble(Math::abs)
                        .filter(z -> z > 0 && z <= WIDEST)
                        .min()
                        .orElse(beam)
                : beam;
        double wide = zooms
                ? zoom.stream()
                        .mapToDouble(Math::abs)
                        .filter(z -> z > 0 && z <= WIDEST)
                        .max()
                        .orElse(beam)
                : beam;
        return new FixtureOptics(
                narrow,
                beams.isEmpty() && !zooms ? FixtureOptics.USUAL.wide() : wide,
                travel(physical(type, "Pan"), FixtureOptics.USUAL.pan()),
                travel(physical(type, "Tilt"), FixtureOptics.USUAL.tilt()));
    }

    /** From the least to the most. */
    private static double travel(List<Double> ends, double usual) {
        double least = ends.stream().mapToDouble(e -> e).min().orElse(0);
        double most = ends.stream().mapToDouble(e -> e).max().orElse(0);
        return most - least > 0 && most - least <= FARTHEST ? most - least : usual;
    }

    /** The physical ends of all functions of an attribute. */
    private static List<Double> physical(XmlElement type, String attribute) {
        List<Double> ends = new ArrayList<>();
        each(
                type,
                e -> e.name().equals("LogicalChannel")
                        && e.attribute("Attribute").equals(attribute),
                channel -> each(channel, e -> e.name().equals("ChannelFunction"), function -> {
                    if (!function.attribute("PhysicalFrom").isEmpty()
                            && !function.attribute("PhysicalTo").isEmpty()) {
                        ends.add(number(function.attribute("PhysicalFrom")));
                        ends.add(number(function.attribute("PhysicalTo")));
                    }
                }));
        return ends;
    }

    private static void each(XmlElement in, Predicate<XmlElement> wanted, Consumer<XmlElement> told) {
        if (wanted.test(in)) {
            told.accept(in);
        }
        in.children().forEach(c -> each(c, wanted, told));
    }

    /** A number, or 0 where it is none. */
    private static double number(String text) {
        return text.matches("-?\\d{1,6}(\\.\\d{1,9})?") ? Double.parseDouble(text) : 0;
    }
}
