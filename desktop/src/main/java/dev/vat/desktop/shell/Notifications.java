package dev.vat.desktop.shell;

import java.util.List;
import java.util.Map;
import org.freedesktop.dbus.annotations.DBusInterfaceName;
import org.freedesktop.dbus.exceptions.DBusException;
import org.freedesktop.dbus.interfaces.DBusInterface;
import org.freedesktop.dbus.messages.DBusSignal;
import org.freedesktop.dbus.types.UInt32;
import org.freedesktop.dbus.types.Variant;

/** The part of the Desktop Notifications Specification 1.2 that Vat needs; method and signal have the names that stand there. */
@DBusInterfaceName("org.freedesktop.Notifications")
public interface Notifications extends DBusInterface {

    String BUS = "org.freedesktop.Notifications";
    String PATH = "/org/freedesktop/Notifications";
    /** The action that is meant by a press on the notification itself. */
    String PRESSED = "default";

    /** @param replaces the notification that this one takes the place of, or 0 @param timeout in ms, or -1 for the desktop's own */
    UInt32 Notify(String application, UInt32 replaces, String icon, String title, String words, List<String> actions,
            Map<String, Variant<?>> hints, int timeout);

    /** An action of a notification was chosen. */
    final class ActionInvoked extends DBusSignal {
        private final UInt32 notification;
        private final String action;

        public ActionInvoked(String path, UInt32 notification, String action) throws DBusException {
            super(path, notification, action);
            this.notification = notification;
            this.action = action;
        }

        UInt32 notification() {
            return notification;
        }

        String action() {
            return action;
        }
    }
}
