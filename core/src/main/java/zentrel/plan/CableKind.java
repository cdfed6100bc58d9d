package zentrel.plan;

import zentrel.text.Word;

/** What runs through a cable. Only network, DMX and power change what a signal path finds; the rest is for the documents. */
public enum CableKind implements Word {
    NETWORK,
    DMX,
    POWER,
    USB,
    SERIAL,
    MIDI,
    CONTACT,
    DALI,
    MAINS,
    OTHER
}
