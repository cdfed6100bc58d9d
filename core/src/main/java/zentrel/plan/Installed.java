package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zentrel.profile.Need;
import zentrel.text.PlainText;

/**
 * What is installed of an application, beside its version: the facts on which its limits may depend.
 *
 * @param profile the id of the profile that describes it, if any
 * @param licence the licence it runs under, in its maker's words
 * @param attached hardware that unlocks something, in its maker's words
 * @param show the show that is stored on it, with its version as people write it; for what plays back by itself
 * @param cid the identity under which it sends sACN (ANSI E1.31-2018 §5.6); empty where it has one of its own, as it should
 * @param running whether the program has been started; empty where nobody has said so, and it is taken to run
 * @param met whether what it may need before it sends is so; what nobody has said follows from the plan
 */
@RecordBuilder
public record Installed(
        Optional<String> profile,
        Optional<Setting<String>> licence,
        List<String> attached,
        Optional<Setting<String>> show,
        Optional<String> cid,
        Optional<Setting<Boolean>> running,
        Map<Need, Setting<Boolean>> met)
        implements InstalledBuilder.With {
    /** Nothing is said. */
    public static final Installed NOTHING_SAID = new Installed(
            Optional.empty(),
            Optional.empty(),
            List.of(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Map.of());

    public Installed {
        profile.ifPresent(t -> PlainText.require("The id of a profile", t));
        licence.ifPresent(l -> PlainText.requireAll("A licence", List.of(l.planned(), l.inForce())));
        PlainText.requireAll("The name of an attached key", attached);
        show.ifPresent(s -> PlainText.requireAll("The name of a show", List.of(s.planned(), s.inForce())));
        cid.ifPresent(t -> PlainText.require("The identity of a source", t));
        attached = List.copyOf(attached);
        met = Map.copyOf(met);
    }

    /** Whether it runs now, as far as anybody has said. */
    public boolean runs() {
        return running.map(Setting::inForce).orElse(true);
    }

    /** The licence that it runs under now. */
    public Optional<String> licenceNow() {
        return licence.map(Setting::inForce);
    }

    /** The same, with what is said of a need; empty where nothing more is said. */
    public Installed with(Need need, Optional<Setting<Boolean>> is) {
        Map<Need, Setting<Boolean>> next = new EnumMap<>(Need.class);
        next.putAll(met);
        next.remove(need);
        is.ifPresent(s -> next.put(need, s));
        return withMet(next);
    }

    /** Made from a profile, and nothing more is said. */
    public static Installed of(String profile) {
        return NOTHING_SAID.withProfile(Optional.of(profile));
    }
}
