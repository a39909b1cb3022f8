<?php

declare(strict_types=1);

namespace Elmstone\Tills\Safe;

use Elmstone\Books\Books;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Drafts\DraftTender;
use Elmstone\Books\Drafts\MoneyEntry;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Posting;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\Tender;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Core\Till\CashCount;
use Elmstone\Core\Till\CountedUnit;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Elmstone\Tills\DrawerPosting;
use Illuminate\Support\Facades\DB;

/**
 * Makes a paying-in up from what lies in the safe: cash by denomination, cheques one by one. From then on it is on its
 * way.
 */
final class PayIn
{
    public function __construct(
        private readonly Books $books,
        private readonly DrawerPosting $posting,
        private readonly Safe $safe,
    ) {
    }

    /**
     * @param  list<int>  $cheques of the safe's list
     * @param  string  $key the same key pays in once
     *
     * @throws Refused nothing_paid_in, more_than_in_safe, cheque_gone, other_figures
     */
    public function handle(
        Till $till,
        CashCount $cash,
        array $cheques,
        string $reference,
        Staff $by,
        string $key,
    ): Lodgement {
        $id = $this->books->post(
            Posting::under($key)
                ->locking(fn () => $this->safe->hold($till->location_id))
                ->writing(fn (): int => $this->write($till, $cash, $cheques, $reference, $by, $key)),
        );

        return Lodgement::query()->where('document_id', $id)->firstOrFail();
    }

    /** @param  list<int>  $chosen */
    private function write(Till $till, CashCount $cash, array $chosen, string $reference, Staff $by, string $key): int
    {
        // No drawer is brought to this safe, and none fetches from it, until this is decided.
        $this->books->holding(DocumentKind::Adjustment);
        $there = $this->safe->cash($till->location_id);

        if ($cash->total->exceeds($there)) {
            throw Refused::because(
                'more_than_in_safe',
                "{$there->toString()} is in the safe by the books; {$cash->total->toString()} cannot be paid in.",
            );
        }

        $cheques = $this->safe->cheques($till->location_id)->whereIn('id', $chosen);

        if ($cheques->count() !== count(array_unique($chosen))) {
            throw Refused::because('cheque_gone', 'A cheque that was ticked is not in the safe any more. Look again.');
        }

        $worth = Money::sum(
            array_values($cheques->map(static fn (SafeCheque $cheque): Money => $cheque->amount)->all()),
            $cash->total->currency,
        );
        $total = $cash->total->plus($worth);
        $total->isPositive() || throw Refused::because('nothing_paid_in', 'Count what is paid in, or tick cheques.');
        $document = $this->books->document($this->posting->moving(
            PostedAt::till($till, $by->id),
            MoneyEntry::drawer(Purpose::PaidIn, $total),
            array_values(array_filter([
                self::tender(TenderKind::Cash, $cash->total),
                self::tender(TenderKind::Cheque, $worth),
            ])),
            $key,
            $reference,
        ));
        $lodgement = DB::table('lodgements')->insertGetId([
            'document_id' => $document,
            'location_id' => $till->location_id,
            'kind' => Lodgement::PAYING_IN,
            'made_on' => ShopTime::today()->format('Y-m-d'),
            'cash' => $cash->total,
            'cheques' => $worth,
            'amount' => $total,
            'reference' => mb_substr($reference, 0, 60),
        ]);
        DB::table('lodgement_units')->insert(array_map(
            static fn (CountedUnit $unit): array => [
                'lodgement_id' => $lodgement,
                'unit' => $unit->unit,
                'pieces' => $unit->count,
            ],
            $cash->units,
        ));
        SafeCheque::query()->whereIn('id', $cheques->modelKeys())->update(['lodgement_id' => $lodgement]);

        return $document;
    }

    private static function tender(TenderKind $kind, Money $amount): ?DraftTender
    {
        return $amount->isZero() ? null : new DraftTender(Tender::of($kind, $amount), $amount);
    }
}
