package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Optional;
import zentrel.profile.ProfileSign;
import zentrel.profile.ProfileSupply;

/**
 * What is so of one device, whatever its profile says of devices of its kind.
 *
 * @param supplies the ways to power this one; where any is given, those of the profile do not count
 * @param signs what is seen on it, beside what the profile says
 * @param accessoryOf the device that it belongs to and works only with
 */
@RecordBuilder
public record Own(List<ProfileSupply> supplies, List<ProfileSign> signs, Optional<Id<Host>> accessoryOf)
        implements OwnBuilder.With {
    /** As its profile says. */
    public static final Own NOTHING = new Own(List.of(), List.of(), Optional.empty());

    public Own {
        supplies = List.copyOf(supplies);
        signs = List.copyOf(signs);
    }
}
