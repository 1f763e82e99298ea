package dev.vat.core.delivery;

import java.util.stream.Collectors;

/** The catalogue as a page for people, in Markdown. */
public final class CatalogueText {

    private CatalogueText() { }

    public static String page() {
        StringBuilder page = new StringBuilder("# Delivery targets\n\nMade from the catalogue in `core.delivery`; what stands there is what holds.\n\n");
        page.append("| Target | For | Codec | Container | Depth | Chroma | Alpha | Quality | If stopped |\n|---|---|---|---|---|---|---|---|---|\n");
        for (Target target : Catalogue.targets()) {
            Codec codec = target.codec();
            page.append("| `%s` | %s | %s | %s%s | %s | %s | %s | %s | %s |%n".formatted(target.id(), target.title(), codec.title(),
                    target.container().title(), target.indexInFront() ? ", index in front" : "", codec.depthText(), codec.chroma().label(),
                    codec.hasAlpha() ? codec.alphaBits() + "-bit, straight" : "none", codec.rateControl(), stopped(codec)));
        }
        page.append("\n## Where they play\n\n");
        Catalogue.targets().forEach(t -> page.append("- **").append(t.title()).append("**: ").append(t.plays()).append('\n'));
        page.append("\nAll carry Rec.709 matrix, primaries and transfer, limited range, in stream and container alike. Containers each codec may "
                + "stand in: ").append(Catalogue.codecs().stream().map(c -> c.title() + " in " + c.containers().stream().map(Container::title).sorted()
                .collect(Collectors.joining(" or "))).collect(Collectors.joining("; "))).append(".\n");
        return page.toString().replace(System.lineSeparator(), "\n");
    }

    private static String stopped(Codec codec) {
        return codec.partForm() == PartForm.WHOLE ? "can't be cut: starts again" : "made in parts";
    }
}
