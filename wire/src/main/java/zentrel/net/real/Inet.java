package zentrel.net.real;

import java.net.Inet4Address;
import java.net.InetAddress;
import java.net.UnknownHostException;
import zentrel.ipv4.Ipv4Address;

/** Addresses of the project and of the JDK. */
final class Inet {
    private Inet() {}

    static InetAddress of(Ipv4Address address) {
        try {
            return InetAddress.getByAddress(new byte[] {
                (byte) address.octet(0), (byte) address.octet(1), (byte) address.octet(2), (byte) address.octet(3)
            });
        } catch (UnknownHostException e) {
            throw new IllegalStateException("Four bytes are always an address.", e);
        }
    }

    static Ipv4Address of(InetAddress inet) {
        byte[] b = inet instanceof Inet4Address ? inet.getAddress() : new byte[4];
        return Ipv4Address.of(b[0] & 0xFF, b[1] & 0xFF, b[2] & 0xFF, b[3] & 0xFF);
    }
}
