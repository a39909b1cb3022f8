<?php

declare(strict_types=1);

namespace Elmstone\Interchange;

use Carbon\CarbonImmutable;
use DOMDocument;
use DOMElement;
use DOMNode;
use DOMXPath;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use XMLReader;

/**
 * A bank-to-customer statement by ISO 20022, camt.053.001 in its versions 02 to 13. Opening balance and entries must come to the closing balance; a batch
 * entry counts by its transactions where the file gives their amounts.
 */
final readonly class Camt053
{
    private const NAMESPACE = '/^urn:iso:std:iso:20022:tech:xsd:camt\.053\.001\.(0[2-9]|1[0-3])$/';

    private DOMXPath $path;

    private DOMElement $root;

    /** @throws Refused not_xml, wrong_namespace */
    public function __construct(string $xml, private Currency $currency)
    {
        $document = new DOMDocument;
        $quiet = libxml_use_internal_errors(true);
        $read = self::hasDocumentType($xml) ? false : $document->loadXML($xml, LIBXML_NONET | LIBXML_COMPACT | LIBXML_PARSEHUGE);
        libxml_clear_errors();
        libxml_use_internal_errors($quiet);
        $root = $document->documentElement;

        if (! $read || $root === null) {
            throw Refused::because('not_xml', 'That is not an XML file a bank would send.');
        }

        if (preg_match(self::NAMESPACE, (string) $root->namespaceURI) !== 1) {
            throw Refused::because('wrong_namespace', "This file is “{$root->namespaceURI}”, but a bank statement is camt.053 (urn:iso:std:iso:20022:tech:xsd:camt.053.001.02 or later). Ask the bank for the statement in that form, or use its CSV.");
        }

        $this->path = new DOMXPath($document);
        $this->path->registerNamespace('c', (string) $root->namespaceURI);
        $this->root = $root;
    }

    /** In whatever encoding the file is: it is read up to its first element, and no further. */
    private static function hasDocumentType(string $xml): bool
    {
        $reader = XMLReader::XML($xml, null, LIBXML_NONET);

        while ($reader instanceof XMLReader && $reader->read() && $reader->nodeType !== XMLReader::ELEMENT) {
            if ($reader->nodeType === XMLReader::DOC_TYPE) {
                return true;
            }
        }

        return false;
    }

    /** @throws Refused wrong_sum, other_currency, missing */
    public function read(): BankFileRead
    {
        $entries = [];
        $left = 0;
        $accounts = [];
        $statements = [];

        foreach ($this->nodes('c:BkToCstmrStmt/c:Stmt', $this->root) as $statement) {
            $accounts[] = $this->text('c:Acct/c:Id/c:IBAN', $statement) ?: $this->text('c:Acct/c:Id/c:Othr/c:Id', $statement);
            $statements[] = $this->text('c:Id', $statement);
            $this->assertSum($statement);

            foreach ($this->nodes('c:Ntry', $statement) as $entry) {
                $isIn = $this->text('c:CdtDbtInd', $entry) === 'CRDT' && $this->text('c:RvslInd', $entry) !== 'true';
                $isBooked = in_array($this->text('c:Sts/c:Cd', $entry) ?: $this->text('c:Sts', $entry), ['BOOK', ''], true);
                $read = $isIn && $isBooked ? $this->entries($entry) : [];
                $left += $read === [] ? 1 : 0;
                array_push($entries, ...$read);
            }
        }

        return $statements === []
            ? throw Refused::because('missing', 'There is no statement in this file.')
            : new BankFileRead('camt.053', mb_substr(implode(', ', array_unique($accounts)), 0, 40), mb_substr(implode(', ', $statements), 0, 60), $entries, $left);
    }

    /** Opening balance + what came in − what went out = closing balance, where the file gives both. */
    private function assertSum(DOMElement $statement): void
    {
        $opening = $this->balance($statement, ['OPBD', 'PRCD']);
        $closing = $this->balance($statement, ['CLBD']);
        $sum = $opening ?? Money::zero($this->currency);

        foreach ($this->nodes('c:Ntry', $statement) as $entry) {
            if (in_array($this->text('c:Sts/c:Cd', $entry) ?: $this->text('c:Sts', $entry), ['BOOK', ''], true)) {
                $sum = $sum->plus($this->signed($entry));
            }
        }

        if ($opening !== null && $closing !== null && ! $sum->equals($closing)) {
            throw Refused::because('wrong_sum', "Opening balance and entries come to {$sum->toString()}, but the file gives {$closing->toString()} as the closing balance. The file is not whole; ask the bank for it again.");
        }

        $count = $this->text('c:TxsSummry/c:TtlNtries/c:NbOfNtries', $statement);

        if ($count !== '' && (int) $count !== count($this->nodes('c:Ntry', $statement))) {
            throw Refused::because('wrong_sum', "The file says it has {$count} entries, but there are ".count($this->nodes('c:Ntry', $statement)).'.');
        }
    }

    /** @param  list<string>  $codes */
    private function balance(DOMElement $statement, array $codes): ?Money
    {
        foreach ($this->nodes('c:Bal', $statement) as $balance) {
            if (in_array($this->text('c:Tp/c:CdOrPrtry/c:Cd', $balance), $codes, true)) {
                return $this->signed($balance);
            }
        }

        return null;
    }

    private function signed(DOMElement $node): Money
    {
        $amount = $this->money('c:Amt', $node);

        return $this->text('c:CdtDbtInd', $node) === 'DBIT' ? $amount->negated() : $amount;
    }

    /** @return list<BankEntryRead> */
    private function entries(DOMElement $entry): array
    {
        $bookedOn = substr($this->text('c:BookgDt/c:Dt', $entry) ?: $this->text('c:BookgDt/c:DtTm', $entry) ?: $this->text('c:ValDt/c:Dt', $entry), 0, 10);
        $day = preg_match('/^\d{4}-\d\d-\d\d$/D', $bookedOn) === 1 ? CarbonImmutable::parse($bookedOn) : throw Refused::because('missing', 'An entry has no booking date.');
        $reference = $this->text('c:AcctSvcrRef', $entry) ?: $this->text('c:NtryRef', $entry);
        $details = $this->nodes('c:NtryDtls/c:TxDtls', $entry);

        if (count($details) < 2) {
            return [$this->one($day, $this->money('c:Amt', $entry), $details[0] ?? $entry, $reference)];
        }

        $amounts = array_map(fn (DOMElement $detail): ?Money => $this->detailAmount($detail), $details);
        $given = array_filter($amounts, static fn (?Money $amount): bool => $amount !== null);

        // A batch without amounts of its own cannot be told apart: it stays one payment.
        if (count($given) !== count($details) || ! Money::sum($given, $this->currency)->equals($this->money('c:Amt', $entry))) {
            return [$this->one($day, $this->money('c:Amt', $entry), $entry, $reference)];
        }

        return array_values(array_map(fn (DOMElement $detail, Money $amount, int $i): BankEntryRead => $this->one($day, $amount, $detail, $reference === '' ? '' : "{$reference}/{$i}"), $details, $given, array_keys($details)));
    }

    private function detailAmount(DOMElement $detail): ?Money
    {
        foreach (['c:Amt', 'c:AmtDtls/c:TxAmt/c:Amt', 'c:AmtDtls/c:InstdAmt/c:Amt'] as $path) {
            if ($this->text($path, $detail) !== '') {
                return $this->money($path, $detail);
            }
        }

        return null;
    }

    private function one(CarbonImmutable $day, Money $amount, DOMElement $detail, string $reference): BankEntryRead
    {
        $parts = [];

        foreach (['.//c:RmtInf/c:Ustrd', './/c:RmtInf/c:Strd/c:CdtrRefInf/c:Ref', './/c:RmtInf/c:Strd/c:RfrdDocInf/c:Nb', './/c:Refs/c:EndToEndId'] as $path) {
            foreach ($this->nodes($path, $detail) as $node) {
                $parts[] = trim($node->textContent);
            }
        }

        $payer = $this->text('.//c:RltdPties/c:Dbtr/c:Pty/c:Nm', $detail) ?: $this->text('.//c:RltdPties/c:Dbtr/c:Nm', $detail);
        $told = array_values(array_unique(array_filter($parts, static fn (string $part): bool => $part !== '' && $part !== 'NOTPROVIDED')));

        return new BankEntryRead($day, $amount, mb_substr($payer, 0, 160), mb_substr(implode(' · ', $told), 0, 500), $this->text('.//c:Refs/c:AcctSvcrRef', $detail) ?: $reference);
    }

    private function money(string $path, DOMElement $node): Money
    {
        $amount = $this->nodes($path, $node)[0] ?? throw Refused::because('missing', 'An entry has no amount.');
        $currency = $amount->getAttribute('Ccy');

        return $currency === $this->currency->code
            ? Money::of(trim($amount->textContent), $this->currency)
            : throw Refused::because('other_currency', "The file is in {$currency}; the shop keeps its books in {$this->currency->code}.");
    }

    private function text(string $path, DOMNode $node): string
    {
        $found = $this->path->query($path, $node);

        return trim($found === false ? '' : (string) $found->item(0)?->textContent);
    }

    /** @return list<DOMElement> */
    private function nodes(string $path, DOMNode $node): array
    {
        $found = $this->path->query($path, $node);

        return array_values(array_filter($found === false ? [] : iterator_to_array($found), static fn (mixed $one): bool => $one instanceof DOMElement));
    }
}
