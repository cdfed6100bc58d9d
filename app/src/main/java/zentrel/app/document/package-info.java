/** The open plan: history, file, journal, findings, selection. Views listen to it and ask it for changes. */
@NullMarked
package zentrel.app.document;

import org.jspecify.annotations.NullMarked;
