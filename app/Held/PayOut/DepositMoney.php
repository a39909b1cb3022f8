<?php

declare(strict_types=1);

namespace Elmstone\Held\PayOut;

use Elmstone\Books\Document;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\HeldKind;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Returns\AsItCame;
use Elmstone\Held\Ledger\HeldAccount;
use Elmstone\Held\Ledger\HeldEntry;
use Elmstone\MoneyOut\Brought;
use Elmstone\MoneyOut\Traces;
use Elmstone\Shop\House;
use Illuminate\Support\Facades\DB;

/**
 * By which ways the deposits held for a customer came in, and so by which they may go back. The entries are followed in
 * their order: what is used goes oldest first; what is paid back goes from what came in by that way; what comes back as
 * a deposit is what was used on that sale.
 */
final class DepositMoney
{
    /** @param  iterable<Traces>  $traces */
    public function __construct(private readonly House $house, private readonly iterable $traces = [])
    {
    }

    /**
     * @param  string|null  $from what is kept for this order; null: all of it
     * @return array<string, Money> by way
     */
    public function of(int $customer, ?string $from = null): array
    {
        $layers = $this->follow($customer);
        $ways = [];

        foreach ($layers as $layer) {
            $from === null || $layer['for'] === $from ? ($ways = Brought::plus($ways, $layer['ways'])) : null;
        }

        return array_filter($ways, static fn (Money $amount): bool => $amount->isPositive());
    }

    /**
     * @return list<array{for: string, document: int, ways: array<string, Money>}> what is left of each, oldest first
     */
    private function follow(int $customer): array
    {
        $entries = HeldEntry::query()
            ->with(['document.tenders', 'document.heldRows'])
            ->whereRelation('account', HeldAccount::sole(HeldKind::Deposit, $customer))
            ->orderBy('id')
            ->get();
        $layers = [];
        $used = [];

        foreach ($entries as $entry) {
            [$document, $amount] = [$entry->document, $entry->amount->abs()];

            if ($entry->amount->isPositive()) {
                $layers[] = [
                    'for' => $entry->kept_for,
                    'document' => $document->id,
                    'ways' => $this->cameIn($document, $amount, $used),
                ];
            } else {
                $used[$document->id] = Brought::plus(
                    $used[$document->id] ?? [],
                    self::leave($layers, $entry, $document, $amount),
                );
            }
        }

        return $layers;
    }

    /**
     * @param  array<int, array<string, Money>>  $used by document
     * @return array<string, Money>
     */
    private function cameIn(Document $document, Money $amount, array &$used): array
    {
        if ($document->kind === DocumentKind::Receipt) {
            return AsItCame::share($amount, Brought::byPart($document)[HeldKind::Deposit->value]);
        }

        if ($document->kind === DocumentKind::CreditNote) {
            return $this->again($document, $amount, $used);
        }

        foreach ($this->traces as $trace) {
            $ways = $trace->ways($document->id);

            if ($ways !== null) {
                return AsItCame::share($amount, $ways);
            }
        }

        return [];
    }

    /**
     * What was used on the sales that came back.
     *
     * @param  array<int, array<string, Money>>  $used by document
     * @return array<string, Money>
     */
    private function again(Document $note, Money $amount, array &$used): array
    {
        $ways = [];

        foreach (
            DB::table('document_lines')
                ->where('document_id', $note->id)
                ->whereNotNull('origin_document_id')
                ->distinct()
                ->pluck('origin_document_id') as $origin
        ) {
            $share = AsItCame::share($amount, $used[(int) $origin] ?? []);
            $used[(int) $origin] = Brought::minus($used[(int) $origin] ?? [], $share);
            $ways = Brought::plus($ways, $share);
            $amount = $amount->minus(Money::sum($share, $this->house->currency()));
        }

        return $ways;
    }

    /**
     * @param  list<array{for: string, document: int, ways: array<string, Money>}>  $layers
     * @return array<string, Money> the ways of what left
     */
    private static function leave(array &$layers, HeldEntry $entry, Document $document, Money $amount): array
    {
        $left = [];
        $bounced = in_array($document->purpose, [Purpose::ReturnedPayment, Purpose::ReceiptReversed], true)
            ? $document->refers_to_id
            : null;

        // What was paid back by a way goes from what came in by it; only what is left of it goes oldest first.
        foreach (
            $document->purpose === Purpose::PaidBack
                ? array_intersect_key(Brought::ways($document), self::sum($layers))
                : [] as $way => $wanted
        ) {
            foreach ($layers as $i => $layer) {
                $part = isset($layer['ways'][$way])
                    ? Money::min($layer['ways'][$way], Money::min($wanted, $amount))
                    : Money::zero($amount->currency);

                if ($part->isPositive() && $layer['for'] === $entry->kept_for) {
                    $layers[$i]['ways'] = Brought::minus($layer['ways'], [$way => $part]);
                    $left = Brought::plus($left, [$way => $part]);
                    $wanted = $wanted->minus($part);
                    $amount = $amount->minus($part);
                }
            }
        }

        foreach ($layers as $i => $layer) {
            if (
                $amount->isPositive()
                && $layer['for'] === $entry->kept_for
                && ($bounced === null || $layer['document'] === $bounced)
            ) {
                $share = AsItCame::share($amount, $layer['ways']);
                $layers[$i]['ways'] = Brought::minus($layer['ways'], $share);
                $left = Brought::plus($left, $share);
                $amount = $amount->minus(Money::sum($share, $amount->currency));
            }
        }

        return $left;
    }

    /**
     * @param  list<array{for: string, document: int, ways: array<string, Money>}>  $layers
     * @return array<string, Money>
     */
    private static function sum(array $layers): array
    {
        return array_reduce(
            $layers,
            static fn (array $sum, array $layer): array => Brought::plus($sum, $layer['ways']),
            [],
        );
    }
}
