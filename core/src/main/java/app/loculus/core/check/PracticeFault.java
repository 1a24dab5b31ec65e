package app.loculus.core.check;

import app.loculus.core.patch.Address;
import java.util.Optional;

/**
 * One fixture of a rig that is wrong on purpose.
 *
 * @param address where it hangs instead
 * @param mode the mode it is set to instead
 * @param words what is wrong with it
 */
public record PracticeFault(int number, boolean dead, Optional<Address> address, Optional<String> mode, String words) {}
