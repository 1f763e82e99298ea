package dev.vat.core.delivery;

import dev.vat.core.time.Rate;
import java.util.Optional;

/**
 * What a recipient needs, as a set of settings; it holds no place.
 *
 * @param id stable name for command line and projects: {@code web-h264}
 * @param recipient for whom, as a heading over several targets: {@code The web}
 * @param title heading in plain words: {@code H.264 for the web}
 * @param shortName for file names: {@code web}
 * @param why the reason for what was chosen, and where the file plays and where not
 */
public record Target(String id, String recipient, String title, String shortName, String why, Settings settings) {

    public Target {
        require(id, Legality.against(settings.codec(), settings.container()));
        require(id, Legality.against(settings.codec(), settings.control()));
        require(id,
                settings.colour() == null ? Optional.empty() : Legality.against(settings.codec(), settings.container(), settings.colour()));
        require(id, Legality.against(settings.codec(), settings.container(), settings.framing().scanInUse(), Rate.FPS_25));
    }

    private static void require(String id, Optional<String> reason) {
        reason.ifPresent(why -> {
            throw new IllegalArgumentException(id + ": " + why);
        });
    }

    /** Whether the recipient is a broadcaster. */
    public boolean isForBroadcast() {
        return recipient.equals(Targets.BROADCAST);
    }

    public Codec codec() {
        return settings.codec();
    }

    public Container container() {
        return settings.container();
    }
}
