<?php

declare(strict_types=1);

namespace Elmstone\Tests\Outside;

use DOMDocument;
use DOMElement;
use JsonSchema\Validator;
use stdClass;

/**
 * A UBL invoice held against the schema of another library: which elements there may be, how often, in which order, and
 * the code lists of the standard.
 */
final class UblSchema
{
    /** Parts that stand in invoices and in orders alike. */
    private const SHARED = [
        'cac:OrderReference', 'cac:Party', 'cac:PostalAddress', 'cac:DeliveryLocation', 'cac:Address',
        'cac:AllowanceCharge', 'cac:LegalMonetaryTotal', 'cac:Item', 'cac:Price',
    ];

    /** Of the same type under another name. */
    private const ALIKE = [
        'cac:AnticipatedMonetaryTotal' => 'cac:LegalMonetaryTotal', 'cac:DeliveryAddress' => 'cac:Address',
    ];

    private const FILE = __DIR__.'/schemas/en16931-ubl-invoice.json';

    /** @return list<string> what the schema finds */
    public static function complaints(string $xml): array
    {
        $document = new DOMDocument;
        $document->loadXML($xml);
        $schema = json_decode((string) file_get_contents(self::FILE), false, 512, JSON_THROW_ON_ERROR);
        $root = $document->documentElement;

        if ($root === null) {
            return ['no invoice'];
        }

        $unordered = [];
        $invoice = (object) ['ubl:Invoice' => self::object($root, $schema->properties->{'ubl:Invoice'}, $unordered)];
        $validator = new Validator;
        $validator->validate($invoice, $schema);

        return [
            ...$unordered,
            ...array_map(
                static fn (array $error): string => "{$error['property']}: {$error['message']}",
                $validator->getErrors(),
            ),
        ];
    }

    /**
     * Parts that invoices share with orders and what follows them, by the same schema: which elements there may be in
     * them, and in which order.
     *
     * @return array{int, list<string>} how many parts were looked at, and what is found
     */
    public static function parts(string $xml): array
    {
        $document = new DOMDocument;
        $document->loadXML($xml);
        $schema = json_decode((string) file_get_contents(self::FILE), false, 512, JSON_THROW_ON_ERROR);
        $known = self::known($schema->properties->{'ubl:Invoice'});
        [$looked, $found] = [0, []];

        foreach ($document->getElementsByTagName('*') as $element) {
            $order = $known[self::ALIKE[$element->nodeName] ?? $element->nodeName] ?? null;

            if ($order === null || $element->childElementCount === 0) {
                continue;
            }

            $looked++;
            $last = -1;

            foreach ($element->childNodes as $child) {
                $place = $child instanceof DOMElement ? array_search($child->nodeName, $order, true) : $last;
                $place === false && ($found[] = "{$element->nodeName} has no {$child->nodeName}");
                $place !== false && $place < $last && ($found[] = "{$element->nodeName}: {$child->nodeName} is late");
                $last = max($last, (int) $place);
            }
        }

        return [$looked, $found];
    }

    /** @return array<string, list<string>> the elements in their order, of each part that invoices share */
    private static function known(stdClass $schema): array
    {
        $known = [];

        foreach ((array) ($schema->properties ?? []) as $name => $is) {
            $is = ($is->type ?? '') === 'array' ? $is->items : $is;
            in_array($name, self::SHARED, true)
                && ($known[$name] = array_keys((array) ($is->properties ?? [])));
            $known += self::known($is);
        }

        return $known;
    }

    /**
     * An element as the library writes it: attributes beside it, what may repeat as a list.
     *
     * @param  list<string>  $unordered elements that do not stand where the schema has them
     */
    private static function object(DOMElement $element, stdClass $schema, array &$unordered): stdClass
    {
        $object = new stdClass;
        $properties = $schema->properties ?? new stdClass;
        $order = array_keys((array) $properties);
        $last = -1;

        foreach ($element->childNodes as $child) {
            if (! ($child instanceof DOMElement)) {
                continue;
            }

            $name = $child->nodeName;
            $place = array_search($name, $order, true);
            $place === false || $place >= $last || ($unordered[] = "{$element->nodeName}: {$name} stands too late");
            $last = $place === false ? $last : $place;
            $is = $properties->{$name} ?? new stdClass;
            $isList = ($is->type ?? '') === 'array';
            $value = self::value($child, $isList ? $is->items : $is, $unordered);
            $isList ? ($object->{$name} = [...$object->{$name} ?? [], $value]) : ($object->{$name} = $value);

            foreach ($child->attributes as $attribute) {
                str_starts_with($attribute->nodeName, 'xmlns')
                    || ($object->{"{$name}@{$attribute->nodeName}"} = $attribute->nodeValue);
            }
        }

        return $object;
    }

    /** @param  list<string>  $unordered */
    private static function value(DOMElement $element, stdClass $schema, array &$unordered): stdClass|string
    {
        return $element->childElementCount === 0
            ? trim($element->textContent)
            : self::object($element, $schema, $unordered);
    }
}
