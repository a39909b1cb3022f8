<?php

declare(strict_types=1);

namespace Elmstone\Interchange\Bank\Read;

use DOMNode;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Refused;
use XMLReader;

/**
 * A bank-to-customer statement by ISO 20022, camt.053.001 in its versions 02 to 13. Opening balance and entries must
 * come to the closing balance; a batch entry counts by its transactions where the file gives their amounts. Read entry
 * by entry, so that a large file takes no more memory than its entries.
 */
final readonly class Camt053
{
    private const NAMESPACE = '/^urn:iso:std:iso:20022:tech:xsd:camt\.053\.001\.(0[2-9]|1[0-3])$/';

    /** How deep a child of Stmt stands: Document, BkToCstmrStmt, Stmt, child. */
    private const CHILD = 3;

    private XMLReader $reader;

    /** @throws Refused not_xml, wrong_namespace */
    public function __construct(string $xml, private Currency $currency)
    {
        libxml_use_internal_errors(true);
        libxml_clear_errors();
        $reader = trim($xml) === '' ? null : XMLReader::XML($xml, null, LIBXML_NONET | LIBXML_COMPACT);
        $this->reader = $reader instanceof XMLReader ? $reader : throw self::notXml();
        $namespace = $this->toTheRoot();

        if (preg_match(self::NAMESPACE, $namespace) !== 1) {
            throw Refused::because(
                'wrong_namespace',
                "This file is “{$namespace}”, but a bank statement is camt.053 "
                    .'(urn:iso:std:iso:20022:tech:xsd:camt.053.001.02 or later). Ask the bank for the statement in '
                    .'that form, or use its CSV.',
            );
        }
    }

    /** In whatever encoding the file is: a document type has no place in it. */
    private function toTheRoot(): string
    {
        while ($this->reader->read()) {
            if ($this->reader->nodeType === XMLReader::DOC_TYPE) {
                throw self::notXml();
            }

            if ($this->reader->nodeType === XMLReader::ELEMENT) {
                return $this->reader->namespaceURI;
            }
        }

        throw self::notXml();
    }

    /** @throws Refused not_xml, wrong_sum, other_currency, missing, unreadable */
    public function read(): BankFileRead
    {
        $statements = $this->statements();

        if ($statements === []) {
            throw Refused::because('missing', 'There is no statement in this file.');
        }

        $accounts = array_unique(
            array_map(static fn (CamtStatement $statement): string => $statement->account, $statements),
        );

        return BankFileRead::of(
            'camt.053',
            implode(', ', $accounts),
            implode(', ', array_map(static fn (CamtStatement $statement): string => $statement->id, $statements)),
            array_merge(...array_map(static fn (CamtStatement $statement): array => $statement->entries, $statements)),
        );
    }

    /** @return list<CamtStatement> */
    private function statements(): array
    {
        $statements = [];
        $current = null;

        for ($more = $this->reader->read(); $more;) {
            $isElement = $this->reader->nodeType === XMLReader::ELEMENT;

            if ($isElement && $this->reader->depth === self::CHILD && $current !== null) {
                $current->take($this->expanded());
                $more = $this->reader->next();

                continue;
            }

            if ($isElement && $this->reader->depth === self::CHILD - 1) {
                $current = $this->reader->localName === 'Stmt'
                    ? ($statements[] = new CamtStatement($this->currency)) : null;
            }

            $more = $this->reader->read();
        }

        libxml_get_last_error() === false || throw self::notXml();
        array_walk($statements, static fn (CamtStatement $statement) => $statement->close());

        return $statements;
    }

    private function expanded(): DOMNode
    {
        $node = $this->reader->expand();

        return $node instanceof DOMNode ? $node : throw self::notXml();
    }

    private static function notXml(): Refused
    {
        libxml_clear_errors();

        return Refused::because('not_xml', 'That is not an XML file a bank would send.');
    }
}
