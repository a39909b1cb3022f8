<?php

declare(strict_types=1);

namespace Elmstone\Interchange\Bank\Read;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Interchange\Bank\BankEntryKind;
use Elmstone\Support\TypedDate;

/** One Ntry of a camt.053 statement: a payment, or the several of a batch where the file gives their amounts. */
final readonly class CamtEntry
{
    public function __construct(private CamtNode $entry, private Currency $currency, private string $account)
    {
    }

    public function isBooked(): bool
    {
        return in_array($this->entry->first('c:Sts/c:Cd', 'c:Sts/c:Prtry', 'c:Sts'), ['BOOK', ''], true);
    }

    /** @throws Refused missing, other_currency, bad_amount */
    public function signed(): Money
    {
        $amount = $this->entry->money('c:Amt', $this->currency);

        return $this->entry->text('c:CdtDbtInd') === 'DBIT' ? $amount->negated() : $amount;
    }

    /** @return list<BankEntryRead> */
    public function read(): array
    {
        try {
            return $this->parts();
        } catch (Refused $refused) {
            return [
                BankEntryRead::unread(
                    Money::zero($this->currency),
                    $this->entry->element->textContent,
                    $refused->getMessage(),
                    $this->account,
                ),
            ];
        }
    }

    private function kind(): BankEntryKind
    {
        $isIn = $this->entry->text('c:CdtDbtInd') !== 'DBIT';
        $isBack = in_array($this->entry->text('c:RvslInd'), ['true', '1'], true)
            || $this->entry->all('.//c:RtrInf') !== [];

        return match (true) {
            ! $this->isBooked() => BankEntryKind::Pending,
            $isIn && ! $isBack => BankEntryKind::In,
            ! $isIn && $isBack => BankEntryKind::Returned,
            default => BankEntryKind::Other,
        };
    }

    /**
     * @return list<BankEntryRead>
     *
     * @throws Refused missing, other_currency, bad_amount
     */
    private function parts(): array
    {
        $bookedOn = substr(
            $this->entry->first('c:BookgDt/c:Dt', 'c:BookgDt/c:DtTm', 'c:ValDt/c:Dt', 'c:ValDt/c:DtTm'),
            0,
            10,
        );
        $day = TypedDate::of($bookedOn)
            ?? throw Refused::because('missing', 'An entry has no booking date.');
        $whole = $this->entry->money('c:Amt', $this->currency);
        $reference = $this->entry->first('c:AcctSvcrRef', 'c:NtryRef');
        $details = $this->entry->all('c:NtryDtls/c:TxDtls');

        if (count($details) < 2) {
            return [$this->one($day, $whole, $details[0] ?? $this->entry, $reference)];
        }

        $amounts = array_filter(
            array_map($this->amountOf(...), $details),
            static fn (?Money $amount): bool => $amount !== null,
        );

        // A batch without amounts of its own cannot be told apart: it stays one payment.
        if (count($amounts) !== count($details) || ! Money::sum($amounts, $this->currency)->equals($whole)) {
            return [$this->one($day, $whole, $this->entry, $reference)];
        }

        return array_values(
            array_map(
                fn (CamtNode $detail, Money $amount, int $i): BankEntryRead => $this->one(
                    $day,
                    $amount,
                    $detail,
                    $reference === '' ? '' : "{$reference}/{$i}",
                ),
                $details,
                $amounts,
                array_keys($details),
            ),
        );
    }

    private function amountOf(CamtNode $detail): ?Money
    {
        foreach (['c:Amt', 'c:AmtDtls/c:TxAmt/c:Amt', 'c:AmtDtls/c:InstdAmt/c:Amt'] as $path) {
            if ($detail->text($path) !== '') {
                return $detail->money($path, $this->currency);
            }
        }

        return null;
    }

    private function one(CarbonImmutable $day, Money $amount, CamtNode $detail, string $reference): BankEntryRead
    {
        $told = [];

        foreach (
            [
                './/c:RmtInf/c:Ustrd',
                './/c:RmtInf/c:Strd/c:CdtrRefInf/c:Ref',
                './/c:RmtInf/c:Strd/c:RfrdDocInf/c:Nb',
                './/c:Refs/c:EndToEndId',
                './/c:RtrInf/c:AddtlInf',
            ] as $path
        ) {
            foreach ($detail->all($path) as $node) {
                $told[] = trim($node->element->textContent);
            }
        }

        $told = array_values(
            array_unique(
                array_filter($told, static fn (string $part): bool => $part !== '' && $part !== 'NOTPROVIDED'),
            ),
        );
        $told === [] && ($told = [$this->entry->text('c:AddtlNtryInf')]);
        $endToEnd = $detail->text('.//c:Refs/c:EndToEndId');

        return new BankEntryRead(
            $day,
            $amount,
            mb_substr(
                $detail->first(
                    './/c:RltdPties/c:Dbtr/c:Pty/c:Nm',
                    './/c:RltdPties/c:Dbtr/c:Nm',
                    './/c:RltdPties/c:UltmtDbtr/c:Pty/c:Nm',
                    './/c:RltdPties/c:UltmtDbtr/c:Nm',
                ),
                0,
                160,
            ),
            mb_substr(implode(' · ', $told), 0, 500),
            mb_substr($detail->text('.//c:Refs/c:AcctSvcrRef') ?: $reference, 0, 80),
            $this->kind(),
            $endToEnd === 'NOTPROVIDED' ? '' : mb_substr($endToEnd, 0, 40),
            mb_substr(
                $detail->first('.//c:RltdPties/c:DbtrAcct/c:Id/c:IBAN', './/c:RltdPties/c:DbtrAcct/c:Id/c:Othr/c:Id'),
                0,
                40,
            ),
            $this->amounts($detail),
            $this->account,
        );
    }

    /** @return array<string, Money> what the structured remittance pays on each document */
    private function amounts(CamtNode $detail): array
    {
        $amounts = [];

        foreach ($detail->all('.//c:RmtInf/c:Strd') as $part) {
            $number = $part->text('c:RfrdDocInf/c:Nb');

            if ($number === '' || isset($amounts[$number])) {
                continue;
            }

            $path = array_values(
                array_filter(
                    ['c:RfrdDocAmt/c:RmtdAmt', 'c:RfrdDocAmt/c:DuePyblAmt'],
                    static fn (string $path): bool => $part->text($path) !== '',
                ),
            )[0] ?? null;
            $path === null || ($amounts[$number] = $part->money($path, $this->currency));
        }

        return $amounts;
    }
}
