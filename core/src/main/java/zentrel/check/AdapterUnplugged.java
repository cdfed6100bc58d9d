package zentrel.check;

/** No cable, or switched off: {@code adapter.unplugged}. */
final class AdapterUnplugged extends PathRule {
    AdapterUnplugged() {
        super(
                "adapter.unplugged",
                "No cable, or switched off",
                "A signal needs an adapter that is switched on and connected. Some systems keep the address of an adapter without a cable, so that it looks alive.");
    }
}
