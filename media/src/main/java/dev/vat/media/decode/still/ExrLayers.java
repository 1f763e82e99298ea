package dev.vat.media.decode.still;

import dev.vat.core.picture.PictureFormat;
import dev.vat.media.decode.still.ExrHeader.Channel;
import dev.vat.media.decode.still.ExrHeader.Part;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * The pictures inside an EXR file: colour layers with R, G, B (and A) or Y under one prefix, and every other channel by
 * itself. In files of several parts, a part's unnamed layer goes by the part's name.
 */
final class ExrLayers {

    /** What writers call the channels of colour, in any case, and what they are to the decoder. */
    private static final Map<String, String> ROLES = Map.of("R", "R", "G", "G", "B", "B", "A", "A", "Y", "Y", "RED", "R", "GREEN", "G",
            "BLUE",
            "B", "ALPHA", "A");

    /**
     * One picture that can be taken.
     *
     * @param label what it is chosen by, empty for the unnamed one
     * @param prefix of its channels, as the decoder takes it
     * @param roles what channels are to the decoder: R, G, B, A or Y
     * @param alone the one channel that is shown as grey, or null for a colour layer
     */
    record Choice(String label, int part, String prefix, List<Channel> channels, Map<Channel, String> roles, Channel alone) {
        boolean hasAlpha() {
            return alone == null && roles.containsValue("A");
        }

        int bits() {
            return roles.keySet().stream().mapToInt(c -> c.bytes() * 8).max().orElse(16);
        }

        /** Whether colour is stored as differences from brightness, and coarser. */
        boolean isLuminanceAndChroma() {
            return alone == null && channels.stream().anyMatch(c -> List.of("RY", "BY").contains(lastWord(c.name())));
        }
    }

    private final ExrHeader header;
    private final List<Choice> choices = new ArrayList<>();

    ExrLayers(ExrHeader header) {
        this.header = header;
        for (int p = 0; p < header.parts().size(); p++) {
            Part part = header.parts().get(p);
            Map<String, List<Channel>> groups = new LinkedHashMap<>();
            for (Channel channel : part.channels()) {
                groups.computeIfAbsent(prefix(channel.name()), _ -> new ArrayList<>()).add(channel);
            }
            int number = p;
            groups.forEach((prefix, channels) -> addGroup(number, part, prefix, channels));
        }
        choices.sort((a, b) -> Boolean.compare(b.label.equals(PictureFormat.MAIN), a.label.equals(PictureFormat.MAIN)));
    }

    private void addGroup(int part, Part header, String prefix, List<Channel> channels) {
        Map<Channel, String> roles = new LinkedHashMap<>();
        for (Channel channel : channels) {
            String role = ROLES.get(lastWord(channel.name()).toUpperCase(Locale.ROOT));
            if (role != null && !roles.containsValue(role)) {
                roles.put(channel, role);
            }
        }
        boolean rgb = roles.values().containsAll(List.of("R", "G", "B"));
        boolean grey = !rgb && roles.containsValue("Y") && channels.stream().noneMatch(c -> lastWord(c.name()).equals("X"));
        roles.values().removeIf(role -> rgb ? role.equals("Y") : !role.equals("Y") && !role.equals("A"));
        if (rgb || grey) {
            choices.add(new Choice(label(part, header, prefix), part, prefix, channels, roles, null));
        }
        for (Channel channel : channels) {
            if (!(rgb || grey) || !roles.containsKey(channel) && !List.of("RY", "BY").contains(lastWord(channel.name()))) {
                choices.add(alone(part, channel, channels));
            }
        }
    }

    private String label(int part, Part header, String prefix) {
        boolean first = part == 0 || choices.stream().noneMatch(c -> c.label.equals(PictureFormat.MAIN));
        String name = header.name();
        if (prefix.isEmpty()) {
            return first && part == 0 || name.isEmpty() ? PictureFormat.MAIN : name;
        }
        return part == 0 || prefix.equals(name) || name.isEmpty() ? prefix : name + ":" + prefix;
    }

    private Choice alone(int part, Channel channel, List<Channel> siblings) {
        String name = header.parts().get(part).name();
        String label = part == 0 || name.isEmpty() ? channel.name() : name + ":" + channel.name();
        return new Choice(label, part, prefix(channel.name()), siblings, Map.of(channel, "Y"), channel);
    }

    private static String prefix(String channel) {
        int dot = channel.lastIndexOf('.');
        return dot < 0 ? "" : channel.substring(0, dot);
    }

    static String lastWord(String channel) {
        return channel.substring(channel.lastIndexOf('.') + 1);
    }

    List<String> labels() {
        return choices.stream().map(Choice::label).distinct().toList();
    }

    /** @param wanted a label, or the full name of any channel; null for the unnamed layer, or the first if there is none */
    Optional<Choice> choose(String wanted) {
        if (wanted == null) {
            return choices.stream().findFirst();
        }
        Optional<Choice> named = choices.stream().filter(c -> c.label.equals(wanted)).findFirst();
        if (named.isPresent()) {
            return named;
        }
        List<Channel> channels = header.parts().getFirst().channels();
        return channels.stream().filter(c -> c.name().equals(wanted)).findFirst().map(c -> alone(0, c, channels));
    }
}
