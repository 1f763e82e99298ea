package dev.vat.desktop.shell;

import java.util.Map;
import org.freedesktop.dbus.annotations.DBusInterfaceName;
import org.freedesktop.dbus.exceptions.DBusException;
import org.freedesktop.dbus.interfaces.DBusInterface;
import org.freedesktop.dbus.messages.DBusSignal;
import org.freedesktop.dbus.types.Variant;

/** The signal by which task bars of several desktops learn how far a program is; its names are those that they listen for. */
@DBusInterfaceName("com.canonical.Unity.LauncherEntry")
public interface LauncherEntry extends DBusInterface {

    /** The menu entry that a package of Vat installs. */
    String ENTRY = "application://vat.desktop";

    /** How far it is: {@code progress}, 0 to 1, and whether that is shown. */
    final class Update extends DBusSignal {
        private final Map<String, Variant<?>> state;

        public Update(String path, String entry, Map<String, Variant<?>> state) throws DBusException {
            super(path, entry, state);
            this.state = Map.copyOf(state);
        }

        Map<String, Variant<?>> state() {
            return state;
        }
    }
}
