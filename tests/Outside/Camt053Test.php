<?php

declare(strict_types=1);

namespace Elmstone\Tests\Outside;

use Closure;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Interchange\Bank\Read\BankEntryRead;
use Elmstone\Interchange\Bank\Read\BankFileRead;
use Elmstone\Interchange\Bank\Read\Camt053;
use Elmstone\Tests\TestCase;
use PHPUnit\Framework\Attributes\DataProvider;

/**
 * Bank statements by the message structure of ISO 20022 “BankToCustomerStatement” (camt.053.001): Document /
 * BkToCstmrStmt / Stmt with Acct, Bal, TxsSummry and Ntry, an entry with Amt, CdtDbtInd, Sts, BookgDt, AcctSvcrRef and
 * NtryDtls / TxDtls. Versions 02 and 08 differ in Sts and in the party's name. The structure is from the published
 * message definition, as remembered; names and figures are made up.
 */
final class Camt053Test extends TestCase
{
    private static function read(string $statement, string $version = '08'): BankFileRead
    {
        return (new Camt053(
            '<?xml version="1.0" encoding="UTF-8"?><Document '
                ."xmlns=\"urn:iso:std:iso:20022:tech:xsd:camt.053.001.{$version}\"><BkToCstmrStmt><GrpHdr>"
                    .'<MsgId>M-1</MsgId><CreDtTm>2027-03-01T18:00:00+01:00</CreDtTm>'
                        ."</GrpHdr>{$statement}</BkToCstmrStmt></Document>",
            Currency::of('USD'),
        ))->read();
    }

    private static function statement(string $inside): string
    {
        return '<Stmt><Id>2027-060</Id><ElctrncSeqNb>60</ElctrncSeqNb><CreDtTm>2027-03-01T18:00:00+01:00</CreDtTm>'
            ."<Acct><Id><IBAN>GB33BUKB20201555555555</IBAN></Id><Ccy>USD</Ccy></Acct>{$inside}</Stmt>";
    }

    private static function balance(string $code, string $amount, string $sign = 'CRDT'): string
    {
        return "<Bal><Tp><CdOrPrtry><Cd>{$code}</Cd></CdOrPrtry></Tp><Amt Ccy=\"USD\">{$amount}</Amt>"
            ."<CdtDbtInd>{$sign}</CdtDbtInd><Dt><Dt>2027-03-01</Dt></Dt></Bal>";
    }

    private static function entry(
        string $amount,
        string $sign = 'CRDT',
        string $status = '<Sts><Cd>BOOK</Cd></Sts>',
        string $details = '',
        string $before = '',
    ): string {
        return "<Ntry><NtryRef>1</NtryRef><Amt Ccy=\"USD\">{$amount}</Amt>"
            ."<CdtDbtInd>{$sign}</CdtDbtInd>{$before}{$status}<BookgDt><Dt>2027-03-01</Dt></BookgDt><ValDt>"
                ."<Dt>2027-03-02</Dt></ValDt><AcctSvcrRef>REF-{$amount}</AcctSvcrRef>{$details}</Ntry>";
    }

    public function test_a_statement_of_version_8(): void
    {
        $details = '<NtryDtls><TxDtls><Refs><EndToEndId>E2E-77</EndToEndId></Refs><RltdPties><Dbtr><Pty><Nm>Fern &amp; '
            .'Flint Paving</Nm></Pty></Dbtr></RltdPties><RmtInf><Ustrd>INV-000123</Ustrd><Ustrd>and '
            .'INV-000124</Ustrd></RmtInf></TxDtls></NtryDtls>';
        $file = self::read(
            self::statement(
                self::balance('OPBD', '100.00')
                    .self::balance('CLBD', '180.50')
                    .'<TxsSummry><TtlNtries><NbOfNtries>2</NbOfNtries></TtlNtries></TxsSummry>'
                    .self::entry('120.50', details: $details)
                    .self::entry('40.00', 'DBIT'),
            ),
        );
        self::assertSame(
            ['camt.053', 'GB33BUKB20201555555555', '2027-060', ['in', 'other']],
            [$file->format, $file->account, $file->statement, self::kinds($file)],
        );
        $entry = $file->entries[0];
        self::assertSame(
            ['2027-03-01', '120.50', 'Fern & Flint Paving', 'INV-000123 · and INV-000124 · E2E-77', 'REF-120.50'],
            [
                $entry->bookedOn?->format('Y-m-d'),
                $entry->amount->toString(),
                $entry->payer,
                $entry->reference,
                $entry->bankReference,
            ],
        );
    }

    public function test_a_statement_of_version_2(): void
    {
        $details = '<NtryDtls><TxDtls><Refs><EndToEndId>NOTPROVIDED</EndToEndId></Refs><RltdPties><Dbtr><Nm>Fern '
            .'Paving</Nm></Dbtr></RltdPties><RmtInf><Strd><CdtrRefInf><Ref>RF18539007547034</Ref></CdtrRefInf>'
            .'</Strd></RmtInf></TxDtls></NtryDtls>';
        $entry = self::read(self::statement(self::entry('9.99', status: '<Sts>BOOK</Sts>', details: $details)), '02')
            ->entries[0];
        self::assertSame(['Fern Paving', 'RF18539007547034'], [$entry->payer, $entry->reference]);
    }

    public function test_an_account_without_an_iban_and_several_statements_in_one_file(): void
    {
        $file = self::read(
            self::statement(self::entry('1.00'))
                .str_replace(
                    ['<IBAN>GB33BUKB20201555555555</IBAN>', '2027-060'],
                    ['<Othr><Id>0044107719</Id></Othr>', '2027-061'],
                    self::statement(self::entry('2.00')),
                ),
        );
        self::assertSame(
            ['GB33BUKB20201555555555, 0044107719', '2027-060, 2027-061', ['1.00', '2.00']],
            [$file->account, $file->statement, self::amounts($file)],
        );
    }

    public function test_what_is_not_booked_or_taken_back_does_not_count(): void
    {
        $file = self::read(
            self::statement(
                self::balance('OPBD', '0.00')
                    .self::balance('CLBD', '6.00')
                    .self::entry('5.00', status: '<Sts><Cd>PDNG</Cd></Sts>')
                    .self::entry('6.00')
                    .self::entry('7.00', before: '<RvslInd>true</RvslInd>', status: '<Sts><Cd>INFO</Cd></Sts>'),
            ),
        );
        self::assertSame([['6.00'], ['pending', 'in', 'pending']], [self::amounts($file), self::kinds($file)]);
    }

    public function test_a_batch_is_told_apart_only_where_its_parts_come_to_the_whole(): void
    {
        $part = static fn (
            string $amount,
            string $payer,
        ): string => "<TxDtls><AmtDtls><TxAmt><Amt Ccy=\"USD\">{$amount}</Amt></TxAmt></AmtDtls><RltdPties><Dbtr>"
            ."<Nm>{$payer}</Nm></Dbtr></RltdPties></TxDtls>";
        $whole = self::read(
            self::statement(
                self::entry(
                    '30.00',
                    details: "<NtryDtls><Btch><NbOfTxs>2</NbOfTxs></Btch>{$part('10.00', 'Ash')}{$part(
                        '20.00',
                        'Birch',
                    )}</NtryDtls>",
                ),
            ),
        );
        self::assertSame(
            [['10.00', '20.00'], ['REF-30.00/0', 'REF-30.00/1']],
            [
                self::amounts($whole),
                array_map(static fn (BankEntryRead $entry): string => $entry->bankReference, $whole->entries),
            ],
        );
        $off = self::read(
            self::statement(
                self::entry('30.00', details: "<NtryDtls>{$part('10.00', 'Ash')}{$part('19.00', 'Birch')}</NtryDtls>"),
            ),
        );
        self::assertSame(['30.00'], self::amounts($off));
    }

    public function test_an_overdrawn_account_sums_with_its_sign(): void
    {
        $file = self::read(
            self::statement(
                self::balance('OPBD', '50.00', 'DBIT').self::balance('CLBD', '20.00', 'DBIT').self::entry('30.00'),
            ),
        );
        self::assertSame(['30.00'], self::amounts($file));
    }

    public function test_what_the_bank_took_back_is_told_from_what_went_out(): void
    {
        $returned = '<NtryDtls><TxDtls><Refs><EndToEndId>E2E-77</EndToEndId></Refs><RltdPties><Dbtr><Nm>Ash '
            .'Roofing</Nm></Dbtr><DbtrAcct><Id><IBAN>GB29NWBK60161331926819</IBAN></Id></DbtrAcct></RltdPties>'
            .'<RtrInf><Rsn><Cd>AC04</Cd></Rsn></RtrInf></TxDtls></NtryDtls>';
        $file = self::read(
            self::statement(
                self::balance('OPBD', '100.00')
                    .self::balance('CLBD', '71.00')
                    .self::entry('12.00', 'DBIT', before: '<RvslInd>true</RvslInd>')
                    .self::entry('20.00', 'DBIT', details: $returned)
                    .self::entry('5.00', before: '<RvslInd>true</RvslInd>')
                    .self::entry('2.00', 'DBIT'),
            ),
        );
        self::assertSame(['returned', 'returned', 'other', 'other'], self::kinds($file));
        self::assertSame(
            ['E2E-77', 'Ash Roofing', 'GB29NWBK60161331926819'],
            [$file->entries[1]->endToEnd, $file->entries[1]->payer, $file->entries[1]->payerAccount],
        );
    }

    public function test_amounts_per_invoice_are_read_from_structured_remittance(): void
    {
        $part = static fn (
            string $number,
            string $amount,
        ): string => "<Strd><RfrdDocInf><Tp><CdOrPrtry><Cd>CINV</Cd></CdOrPrtry></Tp><Nb>{$number}</Nb></RfrdDocInf>"
            ."<RfrdDocAmt><DuePyblAmt Ccy=\"USD\">99.00</DuePyblAmt><RmtdAmt Ccy=\"USD\">{$amount}</RmtdAmt>"
            .'</RfrdDocAmt></Strd>';
        $file = self::read(
            self::statement(
                self::entry(
                    '30.00',
                    details: "<NtryDtls><TxDtls><RmtInf>{$part('INV-000001', '10.00')}{$part(
                        'INV-000002',
                        '20.00',
                    )}</RmtInf></TxDtls></NtryDtls>",
                ),
            ),
        );
        self::assertSame(
            ['INV-000001' => '10.00', 'INV-000002' => '20.00'],
            array_map(static fn (Money $amount): string => $amount->toString(), $file->entries[0]->amounts),
        );
    }

    public function test_a_foreign_entry_or_statement_is_one_to_look_at(): void
    {
        $foreign = str_replace(
            ['"USD"', '2027-060'],
            ['"EUR"', '2027-061'],
            self::statement(self::balance('OPBD', '1.00').self::balance('CLBD', '99.00').self::entry('3.00')),
        );
        $file = self::read(
            self::statement(self::balance('OPBD', '1.00').self::entry('2.00').self::balance('CLBD', '3.00'))
                .$foreign,
        );
        self::assertSame(
            [['in', 'unread'], 'It is in EUR; the shop keeps its books in USD.'],
            [self::kinds($file), $file->entries[1]->trouble],
        );
    }

    public function test_a_large_file_is_read_entry_by_entry(): void
    {
        $xml = '<Document xmlns="urn:iso:std:iso:20022:tech:xsd:camt.053.001.08"><BkToCstmrStmt>'
            .self::statement(
                str_repeat(
                    self::entry(
                        '1.00',
                        details: '<NtryDtls><TxDtls><RmtInf><Ustrd>'
                            .str_repeat('x', 2000)
                            .'</Ustrd></RmtInf></TxDtls></NtryDtls>',
                    ),
                    4000,
                ),
            )
            .'</BkToCstmrStmt></Document>';
        $before = memory_get_usage();
        memory_reset_peak_usage();
        self::assertCount(4000, (new Camt053($xml, Currency::of('USD')))->read()->entries);
        // As a whole tree it is many times its bytes; entry by entry, what is kept of it.
        self::assertLessThan(2 * strlen($xml), memory_get_peak_usage() - $before);
    }

    /** @return iterable<string, array{string, Closure(): mixed}> */
    public static function refused(): iterable
    {
        yield 'balances that do not come out' => [
            'wrong_sum',
            static fn () => self::read(
                self::statement(self::balance('OPBD', '1.00').self::balance('CLBD', '2.00').self::entry('1.01')),
            ),
        ];
        yield 'an entry missing' => [
            'wrong_sum',
            static fn () => self::read(
                self::statement(
                    '<TxsSummry><TtlNtries><NbOfNtries>2</NbOfNtries></TtlNtries></TxsSummry>'.self::entry('1.01'),
                ),
            ),
        ];
        yield 'another currency' => [
            'unreadable',
            static fn () => self::read(str_replace('"USD"', '"EUR"', self::statement(self::entry('1.00')))),
        ];
        yield 'more places than the currency has' => [
            'unreadable',
            static fn () => self::read(self::statement(self::entry('1.001'))),
        ];
        yield 'no booking date' => [
            'unreadable',
            static fn () => self::read(
                preg_replace('#<(BookgDt|ValDt)>.*?</\1>#', '', self::statement(self::entry('1.00'))) ?? '',
            ),
        ];
        yield 'no amount' => [
            'unreadable',
            static fn () => self::read(preg_replace('#<Amt.*?</Amt>#', '', self::statement(self::entry('1.00'))) ?? ''),
        ];
        yield 'no statement' => ['missing', static fn () => self::read('')];
        yield 'an interim report' => [
            'wrong_namespace',
            static fn () => new Camt053(
                '<Document xmlns="urn:iso:std:iso:20022:tech:xsd:camt.052.001.08"/>',
                Currency::of('USD'),
            ),
        ];
        yield 'no namespace' => ['wrong_namespace', static fn () => new Camt053('<Document/>', Currency::of('USD'))];
        yield 'a version there is not' => [
            'wrong_namespace',
            static fn () => new Camt053(
                '<Document xmlns="urn:iso:std:iso:20022:tech:xsd:camt.053.001.99"/>',
                Currency::of('USD'),
            ),
        ];
        yield 'not XML' => ['not_xml', static fn () => new Camt053('Document', Currency::of('USD'))];
        yield 'a document type in UTF-16' => [
            'not_xml',
            static fn () => new Camt053(
                (string) mb_convert_encoding(
                    '<?xml version="1.0" encoding="UTF-16"?><!DOCTYPE Document [<!ENTITY a "b">]><Document '
                        .'xmlns="urn:iso:std:iso:20022:tech:xsd:camt.053.001.08">&a;</Document>',
                    'UTF-16',
                ),
                Currency::of('USD'),
            ),
        ];
        yield 'an entity from outside' => [
            'not_xml',
            static fn () => new Camt053(
                '<!DOCTYPE Document [<!ENTITY a "b">]><Document '
                    .'xmlns="urn:iso:std:iso:20022:tech:xsd:camt.053.001.08">&a;</Document>',
                Currency::of('USD'),
            ),
        ];
    }

    /** @param  Closure(): mixed  $read */
    #[DataProvider('refused')]
    public function test_what_cannot_be_is_refused(string $rule, Closure $read): void
    {
        try {
            $read();
        } catch (Refused $refused) {
            self::assertSame($rule, $refused->rule, $refused->getMessage());

            return;
        }

        self::fail("Nothing was refused; {$rule} was expected.");
    }

    /** @return list<string> */
    private static function amounts(BankFileRead $file): array
    {
        return array_map(static fn (BankEntryRead $entry): string => $entry->amount->toString(), $file->cameIn());
    }

    /** @return list<string> */
    private static function kinds(BankFileRead $file): array
    {
        return array_map(static fn (BankEntryRead $entry): string => $entry->kind->value, $file->entries);
    }
}
