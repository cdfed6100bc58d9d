package zentrel.address;

import java.util.ArrayList;
import java.util.List;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Subnet;

/**
 * What an address and its mask mean.
 *
 * @param network the first address of the subnet
 * @param first the first that a host may have
 * @param last the last that a host may have
 * @param broadcast the last address, which reaches everybody; the last host where there is none (/31, /32: RFC 3021)
 * @param hosts how many hosts fit
 * @param bits the address in bits, with a bar at the mask's edge: {@code 00001010.00101001.|00010110.00000011}
 * @param words which numbers are alike on the whole subnet, and which differ
 */
public record SubnetInWords(
        String network, String first, String last, String broadcast, long hosts, String bits, String words) {
    private static final List<String> NUMBERS = List.of("first", "second", "third", "fourth");

    /** Explains an address with its mask. */
    public static SubnetInWords of(HostAddress address) {
        Subnet subnet = address.subnet();
        return new SubnetInWords(
                subnet.network().toString(),
                subnet.firstHost().toString(),
                subnet.lastHost().toString(),
                subnet.last().toString(),
                subnet.hostCount(),
                bits(address),
                words(subnet.prefixLength()));
    }

    private static String bits(HostAddress address) {
        StringBuilder bits = new StringBuilder();
        for (int i = 0; i < 32; i++) {
            if (i > 0 && i % 8 == 0) {
                bits.append('.');
            }
            if (i == address.prefixLength()) {
                bits.append('|');
            }
            bits.append(address.address().bits() >>> (31 - i) & 1);
        }
        return bits.append(address.prefixLength() == 32 ? "|" : "").toString();
    }

    private static String words(int length) {
        if (length == 0) {
            return "No number need be alike: every address is in it.";
        }
        int whole = length / 8;
        int rest = length % 8;
        List<String> alike = new ArrayList<>();
        if (whole == 1) {
            alike.add("the first number");
        } else if (whole > 1) {
            alike.add(whole == 4 ? "all four numbers" : "the first " + (whole == 2 ? "two" : "three") + " numbers");
        }
        if (rest > 0) {
            alike.add("the " + NUMBERS.get(whole) + " within a step of " + (1 << (8 - rest)));
        }
        String text = String.join(" and ", alike) + " alike";
        text = Character.toUpperCase(text.charAt(0)) + text.substring(1);
        return text + (length == 32 ? ": one address alone." : ", the rest " + (length >= 24 ? "differs." : "differ."));
    }
}
