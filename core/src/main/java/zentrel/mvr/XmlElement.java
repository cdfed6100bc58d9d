package zentrel.mvr;

import java.io.ByteArrayInputStream;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import zentrel.text.PlainText;

/** An element of an XML document, with what is in it. Documents with a type definition of their own are refused. */
final class XmlElement {
    private static final int DEEPEST = 200;
    private static final int MOST = 3_000_000;
    private static final int LONGEST = 1_000_000;

    private final String name;
    private final Map<String, String> attributes = new HashMap<>();
    private final List<XmlElement> children = new ArrayList<>();
    private final StringBuilder text = new StringBuilder();

    private XmlElement(String name) {
        this.name = name;
    }

    /**
     * Reads a document.
     *
     * @throws IllegalArgumentException with the rest of a sentence, where it is none
     */
    static XmlElement parse(byte[] bytes, String what) {
        XMLInputFactory factory = XMLInputFactory.newDefaultFactory();
        factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
        factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
        try {
            return read(factory.createXMLStreamReader(new ByteArrayInputStream(bytes)), what);
        } catch (XMLStreamException e) {
            throw new IllegalArgumentException(
                    what + " is no XML: line " + e.getLocation().getLineNumber() + ".", e);
        }
    }

    private static XmlElement read(XMLStreamReader xml, String what) throws XMLStreamException {
        Deque<XmlElement> open = new ArrayDeque<>();
        XmlElement root = null;
        int count = 0;
        while (xml.hasNext()) {
            switch (xml.next()) {
                case XMLStreamConstants.DTD, XMLStreamConstants.ENTITY_REFERENCE ->
                    throw new IllegalArgumentException(what + " refers to text outside of it, which is not read.");
                case XMLStreamConstants.START_ELEMENT -> {
                    XmlElement element = new XmlElement(xml.getLocalName());
                    for (int i = 0; i < xml.getAttributeCount(); i++) {
                        element.attributes.put(xml.getAttributeLocalName(i), xml.getAttributeValue(i));
                    }
                    if (++count > MOST || open.size() >= DEEPEST) {
                        throw new IllegalArgumentException(
                                what + " has more than " + MOST + " elements, or they are nested too deep.");
                    }
                    if (open.peek() != null) {
                        open.peek().children.add(element);
                    } else {
                        root = element;
                    }
                    open.push(element);
                }
                case XMLStreamConstants.END_ELEMENT -> open.pop();
                case XMLStreamConstants.CHARACTERS, XMLStreamConstants.CDATA -> {
                    XmlElement into = open.peek();
                    if (into != null && into.text.length() < LONGEST) {
                        into.text.append(xml.getText());
                    }
                }
                default -> {
                    // comments and the like
                }
            }
        }
        if (root == null) {
            throw new IllegalArgumentException(what + " is empty.");
        }
        return root;
    }

    String name() {
        return name;
    }

    /** What stands in it, without blanks around it and characters that nobody sees. */
    String text() {
        return PlainText.cleaned(text.toString()).strip();
    }

    /** An attribute; blank where there is none. */
    String attribute(String called) {
        return PlainText.cleaned(attributes.getOrDefault(called, "")).strip();
    }

    List<XmlElement> children() {
        return children;
    }

    List<XmlElement> children(String called) {
        return children.stream().filter(c -> c.name.equals(called)).toList();
    }

    Optional<XmlElement> child(String called) {
        return children.stream().filter(c -> c.name.equals(called)).findFirst();
    }

    /** The text of a child; blank where there is none. */
    String textOf(String called) {
        return child(called).map(XmlElement::text).orElse("");
    }
}
