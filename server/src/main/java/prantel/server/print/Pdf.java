package prantel.server.print;

import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PDFontSupplier;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.svgsupport.BatikSVGDrawer;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;
import org.thymeleaf.TemplateEngine;
import org.thymeleaf.context.Context;
import org.thymeleaf.templatemode.TemplateMode;
import org.thymeleaf.templateresolver.ClassLoaderTemplateResolver;
import tools.jackson.databind.json.JsonMapper;

/** Makes PDFs that can be read aloud: tagged, with their title and language, fonts inside. Nothing is fetched for one. */
@Component
public class Pdf {
    private static final String FOLDER = "prantel/print/";
    private static final String FONT = "Source Sans 3";
    private static final int REGULAR = 400;
    private static final int BOLD = 700;

    private final TemplateEngine templates = new TemplateEngine();

    private final JsonMapper json;

    Pdf(JsonMapper json) {
        this.json = json;
        ClassLoaderTemplateResolver resolver = new ClassLoaderTemplateResolver(Pdf.class.getClassLoader());
        resolver.setPrefix(FOLDER);
        resolver.setSuffix(".html");
        resolver.setTemplateMode(TemplateMode.HTML);
        resolver.setCharacterEncoding("UTF-8");
        templates.setTemplateResolver(resolver);
    }

    /** @param template name of a file beside the fonts @param view what it is filled with, as {@code v}: the same tree that a browser gets */
    public byte[] of(String template, Object view) {
        String html =
                templates.process(template, new Context(Locale.ROOT, Map.of("v", json.convertValue(view, Map.class))));
        try (ByteArrayOutputStream out = new ByteArrayOutputStream();
                PDDocument document = new PDDocument();
                BatikSVGDrawer drawer = new BatikSVGDrawer()) {
            PdfRendererBuilder builder = new PdfRendererBuilder();
            builder.usePdfUaAccessibility(true);
            builder.useFastMode();
            builder.useSVGDrawer(drawer);
            builder.usePDDocument(document);
            builder.useFont(font("SourceSans3-Regular.ttf", document), FONT, REGULAR, FontStyle.NORMAL, true);
            builder.useFont(font("SourceSans3-Bold.ttf", document), FONT, BOLD, FontStyle.NORMAL, true);
            builder.useUriResolver((base, uri) -> null);
            builder.withHtmlContent(html, "");
            builder.toStream(out);
            builder.run();
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The same as an answer that a browser opens or keeps under a name. */
    public ResponseEntity<byte[]> answer(String template, Object view, String fileName) {
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.inline().filename(fileName).build().toString())
                .body(of(template, view));
    }

    /** Without its ligatures: a sign that stands for two letters is neither found nor read aloud ("a er" for "after"). */
    private static PDFontSupplier font(String name, PDDocument document) throws IOException {
        try (InputStream stream =
                Objects.requireNonNull(Pdf.class.getClassLoader().getResourceAsStream(FOLDER + name))) {
            TrueTypeFont font = new TTFParser(true).parse(new RandomAccessReadBuffer(stream));
            font.setEnableGsub(false);
            return new PDFontSupplier(PDType0Font.load(document, font, true));
        }
    }
}
