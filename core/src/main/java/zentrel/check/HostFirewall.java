package zentrel.check;

/** Barred by the computer's firewall: {@code host.firewall}. */
final class HostFirewall extends PathRule {
    HostFirewall() {
        super(
                "host.firewall",
                "Barred by the computer's firewall",
                "A computer's firewall drops what nobody asked for. Sending works, answers to one's own questions work, and a stream that starts by itself does not arrive.");
    }
}
