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
