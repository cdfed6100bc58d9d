package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zentrel.profile.AdapterKind;
import zentrel.profile.HostKind;
import zentrel.profile.OperatingSystem;
import zentrel.profile.Profile;
import zentrel.profile.ProfileSign;
import zentrel.profile.ProfileSupply;
import zentrel.text.PlainText;

/**
 * A physical box.
 *
 * @param place where it stands
 * @param profile the id of the profile it was made from, if any
 * @param sourceCheck what it does with packets from sources that it would not answer by the same way
 * @param power how it is powered
 * @param switching what it does with what it passes on, where it passes the network on
 * @param own what is so of this one beside its profile
 */
@RecordBuilder
public record Host(
        Id<Host> id,
        String name,
        HostKind kind,
        String place,
        OperatingSystem system,
        Optional<String> profile,
        List<Adapter> adapters,
        Firewall firewall,
        SourceCheck sourceCheck,
        Power power,
        SwitchFeatures switching,
        Own own)
        implements Named, HostBuilder.With {
    /** A box that is switched on, from a supply that nobody has named. */
    public Host(
            Id<Host> id,
            String name,
            HostKind kind,
            String place,
            OperatingSystem system,
            Optional<String> profile,
            List<Adapter> adapters,
            Firewall firewall,
            SourceCheck sourceCheck) {
        this(
                id,
                name,
                kind,
                place,
                system,
                profile,
                adapters,
                firewall,
                sourceCheck,
                Power.ON,
                SwitchFeatures.PLAIN,
                Own.NOTHING);
    }

    public Host {
        PlainText.require("The name of a device", name);
        PlainText.require("A place", place);
        profile.ifPresent(t -> PlainText.require("The id of a profile", t));
        adapters = List.copyOf(adapters);
    }

    /** Whether an adapter has no address of its own: the radio of an access point passes on what its socket hears. */
    public boolean onlyPassesOn(Adapter adapter) {
        return kind == HostKind.ACCESS_POINT && adapter.kind() == AdapterKind.WIRELESS;
    }

    public Host withProfile(String value) {
        return withProfile(Optional.of(value));
    }

    /** The ways to power it: its own, else those of its profile. */
    public List<ProfileSupply> supplies(PlanIndex index) {
        return own.supplies().isEmpty()
                ? index.profileOf(this).map(Profile::supplies).orElse(List.of())
                : own.supplies();
    }

    /** What is seen on it: its own signs first, then those of its profile. */
    public List<ProfileSign> signs(PlanIndex index) {
        List<ProfileSign> signs = new ArrayList<>(own.signs());
        index.profileOf(this).ifPresent(p -> signs.addAll(p.signs()));
        return signs;
    }
}
