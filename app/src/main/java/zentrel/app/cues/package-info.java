/** Cues &amp; OSC: control links face to face, their messages, cue lists of two programs side by side, and what comes by OSC. */
@NullMarked
package zentrel.app.cues;

import org.jspecify.annotations.NullMarked;
