<?php

declare(strict_types=1);

namespace Elmstone\Interchange\Bank\Read;

use DOMDocument;
use DOMElement;
use DOMNode;
use DOMXPath;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;

/** One element of a bank's statement, looked into by paths. */
final readonly class CamtNode
{
    private function __construct(private DOMXPath $path, public DOMElement $element)
    {
    }

    public static function of(DOMNode $node): self
    {
        $document = new DOMDocument;
        $own = $document->importNode($node, true);
        $document->appendChild($own);
        $path = new DOMXPath($document);
        $path->registerNamespace('c', (string) $node->namespaceURI);

        return $own instanceof DOMElement
            ? new self($path, $own)
            : throw Refused::because('missing', 'The file is not built as a statement.');
    }

    public function text(string $path): string
    {
        $found = $this->path->query($path, $this->element);

        $first = $found === false ? null : $found->item(0);

        return trim($first instanceof DOMNode ? $first->textContent : '');
    }

    /** The first of several paths that says something. */
    public function first(string ...$paths): string
    {
        foreach ($paths as $path) {
            $text = $this->text($path);

            if ($text !== '') {
                return $text;
            }
        }

        return '';
    }

    /** @return list<self> */
    public function all(string $path): array
    {
        $found = $this->path->query($path, $this->element);
        $elements = array_filter(
            $found === false ? [] : iterator_to_array($found),
            static fn (mixed $one): bool => $one instanceof DOMElement,
        );

        return array_values(array_map(fn (DOMElement $element): self => new self($this->path, $element), $elements));
    }

    /** @throws Refused missing, other_currency, bad_amount */
    public function money(string $path, Currency $ours): Money
    {
        $amount = $this->all($path)[0] ?? throw Refused::because('missing', 'An entry has no amount.');
        $currency = $amount->element->getAttribute('Ccy');

        return $currency === $ours->code
            ? Money::of(trim($amount->element->textContent), $ours)
            : throw Refused::because(
                'other_currency',
                "It is in {$currency}; the shop keeps its books in {$ours->code}.",
            );
    }
}
