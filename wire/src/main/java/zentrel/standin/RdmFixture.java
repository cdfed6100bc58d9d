package zentrel.standin;

import zentrel.packet.rdm.Uid;

/** A fixture with RDM on an output of a stand-in. Lives in the net's turn. */
public final class RdmFixture {
    private final Uid uid;
    private final String manufacturer;
    private final String model;
    private final int modelId;
    private final int footprint;
    private int start;
    private boolean identifies;

    /**
     * A fixture.
     *
     * @param footprint its slots, 1–512
     * @param start its first slot, 1–512
     */
    public RdmFixture(Uid uid, String manufacturer, String model, int modelId, int footprint, int start) {
        this.uid = uid;
        this.manufacturer = manufacturer;
        this.model = model;
        this.modelId = modelId;
        this.footprint = footprint;
        this.start = start;
    }

    public Uid uid() {
        return uid;
    }

    String manufacturer() {
        return manufacturer;
    }

    String model() {
        return model;
    }

    int modelId() {
        return modelId;
    }

    int footprint() {
        return footprint;
    }

    int start() {
        return start;
    }

    void setStart(int slot) {
        start = slot;
    }

    boolean identifies() {
        return identifies;
    }

    void setIdentifies(boolean value) {
        identifies = value;
    }
}
