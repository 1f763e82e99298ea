package dev.vat.core.delivery;

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
        Legality.against(settings.codec(), settings.container()).ifPresent(reason -> {
            throw new IllegalArgumentException(id + ": " + reason);
        });
        Legality.against(settings.codec(), settings.control()).ifPresent(reason -> {
            throw new IllegalArgumentException(id + ": " + reason);
        });
    }

    public Codec codec() {
        return settings.codec();
    }

    public Container container() {
        return settings.container();
    }
}
