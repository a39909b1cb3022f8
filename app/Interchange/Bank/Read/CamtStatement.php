<?php

declare(strict_types=1);

namespace Elmstone\Interchange\Bank\Read;

use DOMNode;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;

/** One Stmt of a camt.053 file, gathered element by element. */
final class CamtStatement
{
    public string $account = '';

    public string $id = '';

    /** @var list<BankEntryRead> */
    public array $entries = [];

    private int $count = 0;

    private string $counted = '';

    private Money $moved;

    private ?Money $opening = null;

    private ?Money $closing = null;

    private bool $isForeign = false;

    public function __construct(private readonly Currency $currency)
    {
        $this->moved = Money::zero($currency);
    }

    /** @throws Refused too_many_rows, missing */
    public function take(DOMNode $node): void
    {
        match ($node->localName) {
            'Id' => ($this->id = trim($node->textContent)),
            'Acct' => ($this->account = CamtNode::of($node)->first('c:Id/c:IBAN', 'c:Id/c:Othr/c:Id')),
            'Bal' => $this->balance(CamtNode::of($node)),
            'TxsSummry' => ($this->counted = CamtNode::of($node)->text('c:TtlNtries/c:NbOfNtries')),
            'Ntry' => $this->entry(new CamtEntry(CamtNode::of($node), $this->currency, $this->account)),
            default => null,
        };
    }

    /**
     * Opening balance + what came in − what went out = closing balance, where the file gives both in the shop's
     * currency.
     *
     * @throws Refused wrong_sum
     */
    public function close(): void
    {
        $sum = ($this->opening ?? Money::zero($this->currency))->plus($this->moved);

        if (! $this->isForeign && $this->opening !== null && $this->closing !== null
            && ! $sum->equals($this->closing)) {
            throw Refused::because(
                'wrong_sum',
                "Opening balance and entries come to {$sum->toString()}, but the file "
                    ."gives {$this->closing->toString()} as the closing balance. The file is not whole; ask the bank "
                        .'for it again.',
            );
        }

        if ($this->counted !== '' && (int) $this->counted !== $this->count) {
            throw Refused::because(
                'wrong_sum',
                "The file says it has {$this->counted} entries, but there are {$this->count}.",
            );
        }
    }

    private function balance(CamtNode $balance): void
    {
        $code = $balance->text('c:Tp/c:CdOrPrtry/c:Cd');

        if (! in_array($code, ['OPBD', 'PRCD', 'CLBD'], true)) {
            return;
        }

        $amount = $this->ours($balance);

        if ($code === 'CLBD') {
            $this->closing ??= $amount;
        } else {
            $this->opening ??= $amount;
        }
    }

    private function ours(CamtNode $node): ?Money
    {
        try {
            $amount = $node->money('c:Amt', $this->currency);
        } catch (Refused) {
            $this->isForeign = true;

            return null;
        }

        return $node->text('c:CdtDbtInd') === 'DBIT' ? $amount->negated() : $amount;
    }

    private function entry(CamtEntry $entry): void
    {
        if (++$this->count > BankCsv::MOST) {
            throw Refused::because(
                'too_many_rows',
                'That is more than '
                    .number_format(BankCsv::MOST)
                    .' entries. Ask the bank for fewer days in one file.',
            );
        }

        array_push($this->entries, ...$entry->read());

        try {
            $entry->isBooked() && ($this->moved = $this->moved->plus($entry->signed()));
        } catch (Refused) {
            // The entry is listed as one to look at; the statement's sum cannot be held against it.
            $this->isForeign = true;
        }
    }
}
