package zentrel.look;

import java.util.List;
import java.util.Optional;
import zentrel.path.Hop;
import zentrel.path.HopKind;
import zentrel.path.Leg;
import zentrel.path.SignalPath;
import zentrel.path.words.PathWords;
import zentrel.plan.*;
import zentrel.profile.PortKind;
import zentrel.profile.ProfileSign;

/** What is seen at each hop if the signal gets that far, in words of the device there where its profile has some. */
final class Looks {
    private Looks() {}

    /** The observation at a hop; empty where nothing is to be seen there. */
    static Optional<Look> at(Plan plan, SignalPath path, int place) {
        List<Hop> hops = path.hops().toList();
        Hop hop = hops.get(place);
        if (!hop.applicable() || path.source().isEmpty() || path.receiver().isEmpty()) {
            return Optional.empty();
        }
        PlanIndex index = plan.index();
        PathWords words = new PathWords(index);
        Leg leg = path.legs().get(place / HopKind.values().length);
        Id<?> from = leg.from();
        Optional<Application> source = application(index, from);
        Optional<Application> receiver = application(index, leg.to());
        if (source.isEmpty() || receiver.isEmpty()) {
            return Optional.empty();
        }
        boolean link = path.protocol().equals("osc");
        String where = index.name(leg.to());
        Host far = index.host(receiver.get().host());
        Host near = index.host(source.get().host());
        boolean within = near.id().equals(far.id()); // no socket shows what stays inside
        String question = switch (hop.kind()) {
            case MEANS ->
                link
                        ? "Does " + source.get().name() + " show that it sends this when it is fired?"
                        : "On " + source.get().name() + ": " + words.text(hop) + sign(index, near, "output")
                                + " Does its output page say the same?";
            case BOUND ->
                "In the network settings of " + source.get().name() + ": is it bound as planned (" + words.brief(hop)
                        + ")?";
            case UP ->
                "On " + near.name() + ": is the adapter up, with the address " + words.brief(hop)
                        + (within ? "?" : ", and is its link light lit?");
            case NAMED ->
                path.delivery().equals("found")
                        ? "Does " + source.get().name() + " list " + far.name() + " among what it found?"
                        : within
                                ? "Does " + source.get().name() + " show that it sends to " + words.brief(hop)
                                        + ", and also to this computer where it asks?"
                                : "Is what " + source.get().name() + " sends to " + words.brief(hop)
                                        + ", and does the traffic light of its socket flicker?";
            case CARRIED ->
                "At the network socket of " + far.name() + ":" + sign(index, far, "linked")
                        + " Does its traffic light flicker while "
                        + source.get().name()
                        + " sends, and stop when it stops?";
            case TAKEN ->
                within
                        ? "Does " + receiver.get().name() + " show the same adapter, " + words.brief(hop) + "?"
                        : "Does " + far.name() + " answer when it is asked at " + words.brief(hop) + " (ping)?";
            case LET_IN ->
                "Does " + receiver.get().name() + " show that " + (link ? "a message" : "a source")
                        + " arrives at all?";
            case AGREES ->
                link
                        ? "Does " + receiver.get().name() + " log the message that arrived?"
                        : "At " + where + ": "
                                + arrival(index, far).orElse("does its screen show levels on this universe?");
            case WINS ->
                link
                        ? "Does " + receiver.get().name() + " react to another message?"
                        : isInside(index, leg.to())
                                ? "Does " + receiver.get().name() + " show "
                                        + source.get().name() + " as the source of its levels at " + where + "?"
                                : "With a tester plugged into " + where + ": do the levels change with those of "
                                        + source.get().name() + "?";
            case LEADS -> "Does it respond now?";
        };
        return Optional.of(new Look(place, hop.kind(), hop.kind() == HopKind.MEANS ? from : hop.at(), question));
    }

    private static boolean isInside(PlanIndex index, Id<?> port) {
        return port.as(Kind.PORT)
                .filter(p -> index.port(p).kind() == PortKind.INTERNAL)
                .isPresent();
    }

    private static Optional<Application> application(PlanIndex index, Id<?> id) {
        Object found = index.find(id).orElse(null);
        if (found instanceof Application a) {
            return Optional.of(a);
        }
        return found instanceof Port p ? Optional.of(index.applicationOf(p.id())) : Optional.empty();
    }

    /** The sign of a device for what is asked, as one more sentence. */
    private static String sign(PlanIndex index, Host host, String about) {
        return host.signs(index).stream()
                .filter(s -> s.when().contains(about))
                .findFirst()
                .map(s -> " If " + s.when() + ", " + s.look() + " " + s.shows() + ".")
                .orElse("");
    }

    private static Optional<String> arrival(PlanIndex index, Host host) {
        List<ProfileSign> signs = host.signs(index);
        Optional<ProfileSign> good =
                signs.stream().filter(s -> s.when().equals("levels arrive")).findFirst();
        Optional<ProfileSign> bad =
                signs.stream().filter(s -> s.when().equals("nothing arrives")).findFirst();
        return good.map(g -> "look at " + g.look() + ". When levels arrive it " + g.shows()
                + bad.filter(b -> b.look().equals(g.look()))
                        .map(b -> "; when nothing arrives it " + b.shows())
                        .orElse("")
                + ". Do levels arrive?");
    }
}
