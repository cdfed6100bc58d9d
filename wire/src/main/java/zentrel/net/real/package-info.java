/** The real network of this computer: {@link zentrel.net.real.RealNet}. One thread, one selector, shared sockets. */
@NullMarked
package zentrel.net.real;

import org.jspecify.annotations.NullMarked;
