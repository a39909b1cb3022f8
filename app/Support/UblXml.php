<?php

declare(strict_types=1);

namespace Elmstone\Support;

use DOMDocument;
use DOMElement;
use Elmstone\Core\Money\Money;
use LogicException;

/**
 * A document of UBL 2.1 (OASIS) while it is written: elements in the order they are asked for, basic ones with their
 * text, others that hold more. The namespaces stand at the root and their elements are named by prefix: each looked up
 * by its namespace would be searched for among all before it.
 */
final readonly class UblXml
{
    private const CBC = 'urn:oasis:names:specification:ubl:schema:xsd:CommonBasicComponents-2';

    private const CAC = 'urn:oasis:names:specification:ubl:schema:xsd:CommonAggregateComponents-2';

    /** UN/ECE Recommendation 20, by our own words for units. */
    public const UNITS = ['each' => 'C62', 'hundred' => 'C62', 'metre' => 'MTR', 'box' => 'BX'];

    private function __construct(private DOMDocument $xml, public DOMElement $root)
    {
    }

    /** @param  string  $kind "Order", "DespatchAdvice" */
    public static function of(string $kind): self
    {
        $xml = new DOMDocument('1.0', 'UTF-8');
        $xml->formatOutput = true;
        $root = $xml->appendChild(
            $xml->createElementNS("urn:oasis:names:specification:ubl:schema:xsd:{$kind}-2", $kind),
        );
        $root instanceof DOMElement || throw new LogicException('A document is an element.');
        $root->setAttributeNS('http://www.w3.org/2000/xmlns/', 'xmlns:cac', self::CAC);
        $root->setAttributeNS('http://www.w3.org/2000/xmlns/', 'xmlns:cbc', self::CBC);

        return new self($xml, $root);
    }

    public function written(): string
    {
        return (string) $this->xml->saveXML();
    }

    /** An element that holds others. */
    public function node(DOMElement $parent, string $name): DOMElement
    {
        $node = $parent->appendChild($this->xml->createElement("cac:{$name}"));

        return $node instanceof DOMElement ? $node : throw new LogicException('A node is an element.');
    }

    /**
     * An element with its text; an empty one is left out.
     *
     * @param  array<string, string>  $attributes
     */
    public function text(DOMElement $parent, string $name, string $text, array $attributes = []): void
    {
        if ($text === '') {
            return;
        }

        $element = $this->xml->createElement("cbc:{$name}");
        $element->appendChild($this->xml->createTextNode($text));

        foreach ($attributes as $key => $value) {
            $element->setAttribute($key, $value);
        }

        $parent->appendChild($element);
    }

    public function money(DOMElement $parent, string $name, Money $amount): void
    {
        $this->text($parent, $name, $amount->toString(), ['currencyID' => $amount->currency->code]);
    }

    public function quantity(DOMElement $parent, string $name, string $quantity, string $unit): void
    {
        $this->text($parent, $name, $quantity, ['unitCode' => self::UNITS[$unit] ?? 'C62']);
    }

    /** Goods by their name, our code, and their barcode where they have one. */
    public function item(DOMElement $parent, string $name, string $code, string $barcode = ''): DOMElement
    {
        $item = $this->node($parent, 'Item');
        $this->text($item, 'Name', $name);
        $this->text($this->node($item, 'SellersItemIdentification'), 'ID', $code);
        $barcode === '' || $this->text(
            $this->node($item, 'StandardItemIdentification'),
            'ID',
            $barcode,
            ['schemeID' => '0160'],
        );

        return $item;
    }

    /** A party by name and number, with where it is. */
    public function party(DOMElement $parent, string $id, string $name, string $street, string $town): DOMElement
    {
        $party = $this->node($parent, 'Party');
        $id === '' || $this->text($this->node($party, 'PartyIdentification'), 'ID', $id);
        $this->text($this->node($party, 'PartyName'), 'Name', $name);

        if ($street !== '' || $town !== '') {
            $address = $this->node($party, 'PostalAddress');
            $this->text($address, 'StreetName', $street);
            $this->text($address, 'CityName', $town);
        }

        return $party;
    }
}
