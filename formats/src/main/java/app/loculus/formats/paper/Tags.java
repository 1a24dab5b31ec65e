package app.loculus.formats.paper;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDMarkInfo;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureNode;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureTreeRoot;

/** What each piece of a page is: headings, tables, rows, cells, in the order they are read (ISO 32000-1, 14.7 and 14.8). */
final class Tags {

    private static final COSName ARTIFACT = COSName.getPDFName("Artifact");

    private final PDStructureTreeRoot root = new PDStructureTreeRoot();
    private final PDStructureElement whole;

    /** By page: the element of each marked piece. */
    private final List<COSArray> parents = new ArrayList<>();

    private PDPage page;
    private int next;

    Tags(PDDocument document) {
        document.getDocumentCatalog().setStructureTreeRoot(root);
        PDMarkInfo marked = new PDMarkInfo();
        marked.setMarked(true);
        document.getDocumentCatalog().setMarkInfo(marked);
        document.getDocumentCatalog().setLanguage("en");
        whole = new PDStructureElement("Document", root);
        root.appendKid(whole);
    }

    PDStructureElement whole() {
        return whole;
    }

    PDStructureElement open(String type, PDStructureNode within) {
        PDStructureElement element = new PDStructureElement(type, within);
        within.appendKid(element);
        return element;
    }

    /** Pieces that follow are on this page. */
    void on(PDPage newPage) {
        page = newPage;
        int key = newPage.getStructParents();
        if (key < 0) {
            newPage.setStructParents(parents.size());
            parents.add(new COSArray());
            key = parents.size() - 1;
        }
        next = parents.get(key).size();
    }

    /** What is drawn until {@link #end} belongs to an element. */
    void begin(PDPageContentStream content, PDStructureElement element) throws IOException {
        content.beginMarkedContent(COSName.getPDFName(element.getStandardStructureType()), next);
        COSDictionary reference = new COSDictionary();
        reference.setItem(COSName.TYPE, COSName.getPDFName("MCR"));
        reference.setItem(COSName.PG, page);
        reference.setItem(COSName.MCID, COSInteger.get(next));
        append(element, reference);
        parents.get(page.getStructParents()).add(element.getCOSObject());
        next++;
    }

    private static void append(PDStructureElement element, COSDictionary reference) {
        COSArray kids = (COSArray) element.getCOSObject().getDictionaryObject(COSName.K);
        if (kids == null) {
            kids = new COSArray();
            element.getCOSObject().setItem(COSName.K, kids);
        }
        kids.add(reference);
    }

    /** What is drawn until {@link #end} is no content: rules, what stands on every page. */
    void artifact(PDPageContentStream content) throws IOException {
        content.beginMarkedContent(ARTIFACT);
    }

    void end(PDPageContentStream content) throws IOException {
        content.endMarkedContent();
    }

    /** Writes which element each piece belongs to. */
    void close() {
        COSArray numbers = new COSArray();
        for (int i = 0; i < parents.size(); i++) {
            numbers.add(COSInteger.get(i));
            numbers.add(parents.get(i));
        }
        COSDictionary tree = new COSDictionary();
        tree.setItem(COSName.NUMS, numbers);
        root.getCOSObject().setItem(COSName.PARENT_TREE, tree);
        root.setParentTreeNextKey(parents.size());
    }
}
