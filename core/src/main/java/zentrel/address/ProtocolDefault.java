package zentrel.address;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.profile.ProfileAdapter;

/** The address that an Art-Net device makes from its hardware address as long as nobody gave it one. */
public final class ProtocolDefault {
    private static final Pattern MAC = Pattern.compile("([0-9a-f]{2}:){5}[0-9a-f]{2}");

    private ProtocolDefault() {}

    /**
     * For a hardware address m0:m1:m2:m3:m4:m5 it is first . (m3 + high byte of the product code + low byte, modulo 256) . m4 .
     * m5 with the mask 255.0.0.0 ({@link zentrel.source.Sources#ARTNET_ADDRESS_MASK}).
     *
     * @return empty where the text is no hardware address
     */
    public static Optional<HostAddress> of(String mac, ProfileAdapter.FromMac how) {
        String plain = mac.strip().toLowerCase(Locale.ROOT).replace('-', ':');
        if (!MAC.matcher(plain).matches()) {
            return Optional.empty();
        }
        int[] m = new int[6];
        for (int i = 0; i < 6; i++) {
            m[i] = Integer.parseInt(plain.substring(3 * i, 3 * i + 2), 16);
        }
        int second = (m[3] + (how.oem() >> 8) + (how.oem() & 255)) & 255;
        return Optional.of(new HostAddress(Ipv4Address.of(how.first(), second, m[4], m[5]), 8));
    }
}
