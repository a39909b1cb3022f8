<?php

declare(strict_types=1);

namespace Elmstone\Returns;

use Elmstone\Agreements\AgreementMoney;
use Elmstone\Books\Purpose;
use Elmstone\Cards\CardMoney;
use Elmstone\Cards\CardSubject;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Returns\MoneySource;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\MoneyOut\Brought;
use Elmstone\MoneyOut\Way;
use Elmstone\Shop\House;
use Illuminate\Support\Facades\DB;

/**
 * How originals were paid, less what went back of that and what terminals are asked for just now: what was charged, and
 * what came in by each way. A few queries for any number of them.
 */
final readonly class OriginMoney
{
    /**
     * @param  array<int, array<string, Money>>  $left by document and way
     * @param  array<int, Money>  $charged by document
     * @param  array<string, array{type: string, last_four: string}>  $cards by authorisation
     * @param  array<int, array<string, Money>>  $went what went back already, by document and tender kind
     */
    private function __construct(
        private Money $none,
        private array $left,
        private array $charged,
        public array $cards,
        private array $went,
    ) {
    }

    /**
     * @param  array<int>  $documents
     * @param  int|null  $before what this credit note and later ones took does not count; null: all counts
     * @param  CardSubject|null  $for whose own questions to terminals do not count
     */
    public static function of(House $house, array $documents, ?int $before = null, ?CardSubject $for = null): self
    {
        [$left, $charged, $cards, $went] = [[], [], [], []];
        $tenders = $documents === []
                ? []
                : DB::table('document_tenders as t')
                    ->join('documents as d', 'd.id', '=', 't.document_id')
                    ->whereIn('t.document_id', $documents)
                    ->orderBy('t.document_id')
                    ->orderBy('t.position')
                    ->get(['t.*', 'd.cash_rounding']);

        foreach ($tenders as $tender) {
            $document = (int) $tender->document_id;

            if ($tender->kind === TenderKind::HouseAccount->value) {
                $charged = Brought::plus($charged, [$document => $house->money((int) $tender->amount)]);
            } elseif ($tender->kind === TenderKind::LayawayMoney->value) {
                [$left[$document], $owed] = self::ofLayaway($house, $document);
                $charged = Brought::plus($charged, [$document => $owed]);
            } elseif ($tender->kind === TenderKind::OrderMoney->value) {
                // What the parts of an order were rounded by is not owed, as with cash.
                $ways = AgreementMoney::ofSupply($document);
                $first = array_key_first($ways);
                $first === null
                    || ($ways[$first] = $ways[$first]->minus($house->money((int) $tender->cash_rounding)));
                $left[$document] = Brought::plus($left[$document] ?? [], $ways);
            } else {
                $way = Way::of(TenderKind::from((string) $tender->kind), (string) $tender->authorisation)->key();
                // Of cash, what it paid: what it was rounded by is not owed.
                $rounding = $tender->kind === TenderKind::Cash->value ? (int) $tender->cash_rounding : 0;
                $paid = $house->money((int) $tender->amount - $rounding);
                $left[$document] = Brought::plus($left[$document] ?? [], [$way => $paid]);

                if ($tender->kind === TenderKind::Card->value) {
                    $cards[(string) $tender->authorisation] = [
                        'type' => (string) $tender->card_type,
                        'last_four' => (string) $tender->last_four,
                    ];
                }
            }
        }

        foreach (
            $left === [] && $charged === []
                ? []
                : DB::table('return_shares')
                    ->whereIn('origin_document_id', $documents)
                    ->when($before !== null, static fn ($query) => $query->where('document_id', '<', $before))
                    ->get() as $share
        ) {
            $document = (int) $share->origin_document_id;
            $amount = $house->money((int) $share->amount);
            $kind = $share->pool === 'charged' ? TenderKind::HouseAccount : TenderKind::tryFrom((string) $share->way);

            if ($share->pool === 'charged') {
                $charged = Brought::plus($charged, [$document => $amount->negated()]);
            } elseif ($kind !== null) {
                $way = Way::of($kind, (string) $share->authorisation)->key();
                $left[$document] = Brought::plus($left[$document] ?? [], [$way => $amount->negated()]);
            }

            $kind === null
                || ($went[$document] = Brought::plus($went[$document] ?? [], [$kind->value => $amount]));
        }

        // What bounced did not come in, and is owed on the account instead.
        foreach (
            $documents === []
                ? []
                : DB::table('documents as d')
                    ->join('document_tenders as t', 't.document_id', '=', 'd.id')
                    ->whereIn('d.refers_to_id', $documents)
                    ->where('d.purpose', Purpose::ReturnedPayment->value)
                    ->get(['d.refers_to_id', 't.kind', 't.authorisation', 't.amount']) as $bounced
        ) {
            $document = (int) $bounced->refers_to_id;
            $way = Way::of(TenderKind::from((string) $bounced->kind), (string) $bounced->authorisation)->key();
            $amount = $house->money((int) $bounced->amount);
            $left[$document] = Brought::plus($left[$document] ?? [], [$way => $amount->negated()]);
            $charged = Brought::plus($charged, [$document => $amount]);
        }

        $money = new self($house->money(0), $left, $charged, self::cards($left, $cards), $went);

        return $before === null
            ? $money->less(CardMoney::reserved(array_map(strval(...), array_keys($money->cards)), $for))
            : $money;
    }

    /** @param  array<string, Money>  $reserved by authorisation, what terminals are asked for elsewhere */
    private function less(array $reserved): self
    {
        $left = $this->left;

        foreach ($left as $document => $ways) {
            foreach ($reserved as $authorisation => $amount) {
                $way = Way::of(TenderKind::Card, (string) $authorisation)->key();
                isset($ways[$way]) && ($left[$document][$way] = $ways[$way]->minus($amount));
            }
        }

        return new self($this->none, $left, $this->charged, $this->cards, $this->went);
    }

    /** What of it still stands as charged to the house account. */
    public function charged(int $document): Money
    {
        return ($this->charged[$document] ?? $this->none)->orNothing();
    }

    /** What of it went back by a kind of tender already. */
    public function wentBack(int $document, TenderKind $kind): Money
    {
        return $this->went[$document][$kind->value] ?? $this->none;
    }

    /** What came in as money and has not gone back: so much may go back by another money way. */
    public function moneyLeft(int $document): Money
    {
        return $this->money($document)->orNothing();
    }

    private function money(int $document): Money
    {
        return Money::sum(
            array_filter(
                $this->left[$document] ?? [],
                static fn (string $way): bool => Way::read($way)?->isMoney() === true,
                ARRAY_FILTER_USE_KEY,
            ),
            $this->none->currency,
        );
    }

    /**
     * For the proof: by which ways more went back than came in; "money" for all money ways together.
     * What may go any way is not counted.
     *
     * @return array<string, Money>
     */
    public function beyond(int $document): array
    {
        $bound = array_filter(
            $this->left[$document] ?? [],
            static fn (Money $left, string $way): bool => $left->isNegative()
                && (Way::read($way)?->isMoney() === true
                    || $way === TenderKind::DepositHeld->value
                    || (Way::read($way)->which ?? '') !== ''),
            ARRAY_FILTER_USE_BOTH,
        );
        $all = [
            ...$bound,
            TenderKind::HouseAccount->value => $this->charged[$document] ?? $this->none,
            'money' => $this->money($document),
        ];

        return array_map(
            static fn (Money $left): Money => $left->negated(),
            array_filter($all, static fn (Money $left): bool => $left->isNegative()),
        );
    }

    /**
     * The two sums an original's credit is made up of.
     *
     * @param  array<string, null>  $anyway ways that may always carry what was paid
     * @param  list<string>  $opened other money ways that may carry what came in as money
     * @return list<MoneySource>
     */
    public function sources(int $document, Money $value, array $anyway, array $opened = []): array
    {
        $charged = Money::min($value, $this->charged($document));
        $ways = array_map(static fn (Money $left): Money => $left->orNothing(), $this->left[$document] ?? []);
        unset($ways[TenderKind::StoreCredit->value], $ways[TenderKind::Exchange->value]);
        $open = array_fill_keys($opened, $this->moneyLeft($document));

        return [
            new MoneySource(Source::paid($document)->key(), $value->minus($charged), [...$ways, ...$open, ...$anyway]),
            new MoneySource(Source::charged($document)->key(), $charged, [TenderKind::HouseAccount->value => null]),
        ];
    }

    /** What came in by one way and has not gone back. */
    public function left(int $document, string $way): Money
    {
        return ($this->left[$document][$way] ?? $this->none)->orNothing();
    }

    /**
     * @return array{array<string, Money>, Money} by way, and what bounced after the goods had left and is owed
     *     on the account
     */
    private static function ofLayaway(House $house, int $document): array
    {
        $layaway = DB::table('agreements')->where('document_id', $document)->value('id');

        if (! is_int($layaway)) {
            return [[], $house->money(0)];
        }

        $money = AgreementMoney::of($layaway, $house->currency());

        return [$money->left, $money->owed];
    }

    /**
     * @param  array<int, array<string, Money>>  $left
     * @param  array<string, array{type: string, last_four: string}>  $known
     * @return array<string, array{type: string, last_four: string}>
     */
    private static function cards(array $left, array $known): array
    {
        $unknown = [];

        foreach ($left as $ways) {
            foreach (array_keys(Way::among($ways, TenderKind::Card)) as $which) {
                isset($known[$which]) || ($unknown[] = (string) $which);
            }
        }

        foreach (
            $unknown === []
                ? []
                : DB::table('document_tenders')
                    ->where('kind', TenderKind::Card->value)
                    ->whereIn('authorisation', $unknown)
                    ->get(['authorisation', 'card_type', 'last_four']) as $row
        ) {
            $known[(string) $row->authorisation] ??= [
                'type' => (string) $row->card_type,
                'last_four' => (string) $row->last_four,
            ];
        }

        return $known;
    }
}
