package zentrel.plan;

import java.util.List;

/**
 * The adapters that one purpose of an application uses.
 *
 * @param adapters named adapters, in order; empty unless the mode is {@link BindingMode#ADAPTERS}
 */
public record Binding(BindingMode mode, List<AdapterId> adapters) {
    public static final Binding AUTOMATIC = new Binding(BindingMode.AUTOMATIC, List.of());
    public static final Binding ALL = new Binding(BindingMode.ALL, List.of());
    public static final Binding FIRST = new Binding(BindingMode.FIRST, List.of());
    public static final Binding LOOPBACK = new Binding(BindingMode.LOOPBACK, List.of());

    public Binding {
        adapters = List.copyOf(adapters);
        if ((mode == BindingMode.ADAPTERS) == adapters.isEmpty()) {
            throw new IllegalArgumentException("A binding names adapters, or says automatic, all, first or loopback.");
        }
    }

    public static Binding to(AdapterId... adapters) {
        return new Binding(BindingMode.ADAPTERS, List.of(adapters));
    }

    @Override
    public String toString() {
        return mode == BindingMode.ADAPTERS ? adapters.toString() : mode.word();
    }
}
