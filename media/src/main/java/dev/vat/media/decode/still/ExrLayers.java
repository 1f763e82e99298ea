package dev.vat.media.decode.still;

import dev.vat.core.picture.PictureFormat;
import dev.vat.media.decode.still.ExrHeader.Channel;
import dev.vat.media.decode.still.ExrHeader.Part;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The pictures inside an EXR file: colour layers with R, G, B (and A) or Y under one prefix, and every other channel by
 * itself. In files of several parts, a part's unnamed layer goes by the part's name.
 */
final class ExrLayers {

    /**
     * One picture that can be taken.
     *
     * @param label what it is chosen by, empty for the unnamed one
     * @param prefix of its channels, as the decoder takes it
     * @param alone the one channel that is shown as grey, or null for a colour layer
     */
    record Choice(String label, int part, String prefix, List<Channel> channels, Channel alone) {
        boolean hasAlpha() {
            return alone == null && channels.stream().anyMatch(c -> lastWord(c.name()).equals("A"));
        }

        int bits() {
            return channels.stream().mapToInt(c -> c.bytes() * 8).max().orElse(16);
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
        List<String> words = channels.stream().map(c -> lastWord(c.name())).toList();
        boolean colour = words.containsAll(List.of("R", "G", "B")) || words.contains("Y") && !words.contains("X");
        if (colour) {
            choices.add(new Choice(label(part, header, prefix), part, prefix, channels, null));
        }
        for (Channel channel : channels) {
            if (!colour || !List.of("R", "G", "B", "A", "Y", "RY", "BY").contains(lastWord(channel.name()))) {
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
        return new Choice(label, part, prefix(channel.name()), siblings, channel);
    }

    private static String prefix(String channel) {
        int dot = channel.lastIndexOf('.');
        return dot < 0 ? "" : channel.substring(0, dot);
    }

    private static String lastWord(String channel) {
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

    /**
     * The file as the decoder has to see it. It takes whole colour layers only: a channel that is wanted by itself gets the
     * name of a grey one in a copy of the header, and its neighbours get names that the decoder passes over. Lengths of
     * names stay, so that nothing moves.
     */
    static byte[] asDecoded(Choice choice, byte[] data) {
        if (choice.alone == null) {
            return data;
        }
        byte[] copy = data.clone();
        for (Channel channel : choice.channels) {
            int last = channel.nameAt() + channel.name().getBytes(java.nio.charset.StandardCharsets.UTF_8).length - 1;
            copy[last] = (byte) (channel == choice.alone ? 'Y' : '_');
        }
        return copy;
    }

    /** What the decoder is to take for a prefix: of a channel without a dot, all of its name but the last letter. */
    static String decoderLayer(Choice choice) {
        if (choice.alone == null || !choice.prefix.isEmpty()) {
            return choice.prefix;
        }
        String name = choice.alone.name();
        return name.substring(0, name.length() - 1);
    }
}
