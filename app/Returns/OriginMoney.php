<?php

declare(strict_types=1);

namespace Elmstone\Returns;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Returns\MoneySource;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Layaways\Layaway;
use Elmstone\Layaways\WaysBack as LayawayWays;
use Elmstone\Shop\House;
use Illuminate\Support\Facades\DB;

/** How originals were paid, less what went back of that: what was charged, and what came in by each way. A few queries for any number of them. */
final readonly class OriginMoney
{
    /**
     * @param  array<int, array<string, int>>  $left minor units by document and way; a card by its authorisation: "card:123456"
     * @param  array<int, int>  $charged minor units by document
     * @param  array<string, array{type: string, last_four: string}>  $cards by authorisation
     */
    private function __construct(private array $left, private array $charged, public array $cards)
    {
    }

    /**
     * @param  array<int>  $documents
     * @param  int|null  $before what this credit note and later ones took does not count; null: all counts
     */
    public static function of(House $house, array $documents, ?int $before = null): self
    {
        [$left, $charged, $cards] = [[], [], []];
        $tenders = $documents === [] ? [] : DB::table('document_tenders as t')->join('documents as d', 'd.id', '=', 't.document_id')->whereIn('t.document_id', $documents)->orderBy('t.document_id')->orderBy('t.position')->get(['t.*', 'd.cash_rounding']);

        foreach ($tenders as $tender) {
            $document = (int) $tender->document_id;

            if ($tender->kind === TenderKind::HouseAccount->value) {
                $charged[$document] = ($charged[$document] ?? 0) + (int) $tender->amount;
            } elseif ($tender->kind === TenderKind::LayawayMoney->value) {
                self::addLayaway($house, $document, $left, $cards);
            } else {
                $way = self::way((string) $tender->kind, (string) $tender->authorisation);
                // Of cash, what it paid: what it was rounded by is not owed.
                $left[$document][$way] = ($left[$document][$way] ?? 0) + (int) $tender->amount - ($tender->kind === TenderKind::Cash->value ? (int) $tender->cash_rounding : 0);

                if ($tender->kind === TenderKind::Card->value) {
                    $cards[(string) $tender->authorisation] = ['type' => (string) $tender->card_type, 'last_four' => (string) $tender->last_four];
                }
            }
        }

        foreach ($left === [] && $charged === [] ? [] : DB::table('return_shares')->whereIn('origin_document_id', $documents)->when($before !== null, static fn ($query) => $query->where('document_id', '<', $before))->get() as $share) {
            $document = (int) $share->origin_document_id;
            $way = self::way((string) $share->way, (string) $share->authorisation);

            if ($share->pool === 'charged') {
                $charged[$document] = ($charged[$document] ?? 0) - (int) $share->amount;
            } elseif (isset($left[$document][$way])) {
                $left[$document][$way] -= (int) $share->amount;
            }
        }

        return new self($left, $charged, $cards);
    }

    /** "card:123456" for a card, else the tender's kind */
    public static function way(string $kind, string $authorisation): string
    {
        return $kind === TenderKind::Card->value ? "card:{$authorisation}" : $kind;
    }

    /** What of it still stands as charged to the house account. */
    public function charged(int $document): int
    {
        return max(0, $this->charged[$document] ?? 0);
    }

    /**
     * The two sums an original's credit is made up of.
     *
     * @param  array<string, null>  $anyway ways that may always carry what was paid
     * @return list<MoneySource>
     */
    public function sources(int $document, Money $value, array $anyway): array
    {
        $charged = Money::min($value, Money::ofMinor($this->charged($document), $value->currency));
        $ways = array_map(static fn (int $left): Money => Money::ofMinor(max(0, $left), $value->currency), $this->left[$document] ?? []);
        unset($ways[TenderKind::GiftCard->value], $ways[TenderKind::StoreCredit->value], $ways[TenderKind::Exchange->value]);

        return [
            new MoneySource("paid:{$document}", $value->minus($charged), [...$ways, ...$anyway]),
            new MoneySource("charged:{$document}", $charged, [TenderKind::HouseAccount->value => null]),
        ];
    }

    /**
     * @param  array<int, array<string, int>>  $left
     * @param  array<string, array{type: string, last_four: string}>  $cards
     */
    private static function addLayaway(House $house, int $document, array &$left, array &$cards): void
    {
        $layaway = Layaway::query()->with('entries.document.tenders')->where('document_id', $document)->first();
        $ways = $layaway === null ? null : LayawayWays::of($layaway, $house);

        foreach ($ways->most ?? [] as $kind => $most) {
            if ($kind !== TenderKind::Card->value) {
                $left[$document][$kind] = ($left[$document][$kind] ?? 0) + $most;
            }
        }

        foreach ($ways->cards ?? [] as $authorisation => $tender) {
            $left[$document]["card:{$authorisation}"] = $tender->amount;
            $cards[(string) $authorisation] = ['type' => $tender->card_type, 'last_four' => $tender->last_four];
        }
    }
}
