<?php

declare(strict_types=1);

namespace Elmstone\WebOrders\Ubl;

use Brick\Math\BigDecimal;
use Brick\Math\Exception\MathException;
use DOMDocument;
use DOMElement;
use DOMXPath;
use Elmstone\Core\Money\Refused;

/**
 * A document of UBL 2.1 (OASIS) while it is read: texts and decimals by their path, cbc and cac as usual. A document
 * type has no place in it, so that nothing is fetched or unfolded.
 */
final readonly class UblReader
{
    private const NAMESPACE = 'urn:oasis:names:specification:ubl:schema:xsd:';

    private function __construct(private DOMXPath $path, public DOMElement $root)
    {
    }

    /**
     * @param  string  $kind "Order"
     *
     * @throws Refused not_xml, document_type, wrong_document
     */
    public static function of(string $xml, string $kind): self
    {
        $before = libxml_use_internal_errors(true);
        $document = new DOMDocument;
        $isRead = trim($xml) !== '' && $document->loadXML($xml, LIBXML_NONET | LIBXML_COMPACT);
        $error = libxml_get_last_error();
        libxml_clear_errors();
        libxml_use_internal_errors($before);

        if (! $isRead) {
            throw Refused::because(
                'not_xml',
                'This is not well-formed XML'.($error === false ? '.' : ": line {$error->line}, "
                    .trim($error->message).'.'),
            );
        }

        $document->doctype === null || throw Refused::because(
            'document_type',
            'This has a document type declaration, which has no place in an order. Send it without.',
        );
        $root = $document->documentElement;

        if ($root?->namespaceURI !== self::NAMESPACE."{$kind}-2" || $root->localName !== $kind) {
            throw Refused::because(
                'wrong_document',
                "This is no UBL {$kind}, but “{$root?->localName}”. Send the order as UBL 2.1.",
            );
        }

        $path = new DOMXPath($document);
        $path->registerNamespace('cac', self::NAMESPACE.'CommonAggregateComponents-2');
        $path->registerNamespace('cbc', self::NAMESPACE.'CommonBasicComponents-2');

        return new self($path, $root);
    }

    /** @return list<DOMElement> */
    public function all(string $path, ?DOMElement $in = null): array
    {
        $found = [];

        foreach ($this->path->query($path, $in ?? $this->root) ?: [] as $node) {
            $node instanceof DOMElement && ($found[] = $node);
        }

        return $found;
    }

    public function first(string $path, ?DOMElement $in = null): ?DOMElement
    {
        return $this->all($path, $in)[0] ?? null;
    }

    /** Without blanks around it and control characters in it; empty where there is none. */
    public function text(string $path, ?DOMElement $in = null, int $most = 255): string
    {
        $text = $this->first($path, $in)->textContent ?? '';

        return mb_substr(trim((string) preg_replace('/[\p{Cc}\s]+/u', ' ', $text)), 0, $most);
    }

    /** @throws Refused bad_number */
    public function decimal(string $path, ?DOMElement $in = null): ?BigDecimal
    {
        $text = $this->text($path, $in, 40);

        if ($text === '') {
            return null;
        }

        try {
            preg_match('/^[+-]?\d{1,12}(\.\d{1,8})?$/D', $text) === 1 || throw Refused::because('bad_number', '');

            return BigDecimal::of($text);
        } catch (Refused|MathException) {
            throw Refused::because('bad_number', "“{$text}” is no number that an order can have.");
        }
    }
}
