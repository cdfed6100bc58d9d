package zentrel.universe;

import java.util.Optional;

/**
 * One universe in every dress. A dress is absent where the protocol has no such number.
 *
 * @param show the show's number, from 1
 */
public record UniverseNumber(Optional<Integer> show, Optional<PortAddress> artnet, Optional<SacnUniverse> sacn) {
    /**
     * From the show's number.
     *
     * @param artnetFirst the Port-Address that carries show universe 1: 0 or 1
     * @throws IllegalArgumentException naming the range, if no protocol carries the number
     */
    public static UniverseNumber ofShow(int show, int artnetFirst) {
        if (show < 1 || show > SacnUniverse.LAST) {
            throw new IllegalArgumentException("A show universe that a protocol can carry goes from 1 to "
                    + SacnUniverse.LAST + ", not " + show + ".");
        }
        int port = show - 1 + artnetFirst;
        return new UniverseNumber(
                Optional.of(show),
                port <= PortAddress.LAST ? Optional.of(new PortAddress(port)) : Optional.empty(),
                Optional.of(new SacnUniverse(show)));
    }

    /** From an sACN number, which is the show's number. */
    public static UniverseNumber ofSacn(int universe, int artnetFirst) {
        return ofShow(new SacnUniverse(universe).value(), artnetFirst);
    }

    /** From an Art-Net Port-Address. */
    public static UniverseNumber ofArtnet(int portAddress, int artnetFirst) {
        PortAddress port = new PortAddress(portAddress);
        int show = portAddress + 1 - artnetFirst;
        return show < 1
                ? new UniverseNumber(Optional.empty(), Optional.of(port), Optional.empty())
                : new UniverseNumber(Optional.of(show), Optional.of(port), Optional.of(new SacnUniverse(show)));
    }
}
