package zentrel.standin;

import java.util.Optional;
import java.util.UUID;
import zentrel.ipv4.Ipv4Address;

/**
 * What makes a source one source to a receiver: in sACN its CID, whatever its name and address (ANSI E1.31-2018 §5.6, §6.7.2); in
 * Art-Net its address and physical input ({@link zentrel.source.Sources#ARTNET_SOURCE_BY_ADDRESS}).
 */
record SourceIdentity(Optional<UUID> cid, Ipv4Address address, int physical) {
    static SourceIdentity sacn(UUID cid) {
        return new SourceIdentity(Optional.of(cid), Ipv4Address.ANY, 0);
    }

    static SourceIdentity artnet(Ipv4Address address, int physical) {
        return new SourceIdentity(Optional.empty(), address, physical);
    }
}
