<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Ledger;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Receivables\ItemKind;
use Elmstone\Core\Receivables\OpenItem;
use Elmstone\Core\Receivables\Spread;
use Elmstone\Shop\House;
use Elmstone\Support\ShopTime;
use Illuminate\Database\Eloquent\Collection;

/** The open items of one account, as rows and as the core's values. */
final readonly class AccountItems
{
    /** @param  Collection<int, OpenItemRecord>  $records oldest due first */
    private function __construct(public Collection $records, private House $house, private ?CarbonImmutable $day)
    {
    }

    /** @param  CarbonImmutable  $day the day something would be paid on */
    public static function open(int $customer, ItemKind $kind, House $house, CarbonImmutable $day): self
    {
        return new self(
            OpenItemRecord::withCredits(
                OpenItemRecord::query()
                    ->where('customer_id', $customer)
                    ->where('kind', $kind)
                    ->where('open', '>', 0)
                    ->orderBy('due_date')
                    ->orderBy('business_date')
                    ->orderBy('document_id')
                    ->get(),
            ),
            $house,
            $day,
        );
    }

    /**
     * What there would be to set a credit against if all it is set against now were taken back.
     *
     * @param  Collection<int, AllocationRecord>  $standing
     */
    public static function asIfTakenBack(OpenItemRecord $credit, Collection $standing, House $house): self
    {
        $records = self::open($credit->customer_id, ItemKind::Charge, $house, ShopTime::today())->records->keyBy(
            'document_id',
        );

        foreach ($standing as $allocation) {
            $item = $records->get($allocation->charge_id) ?? $allocation->charge;
            $item->open = $item->open->plus($allocation->amount);
            $records->put($item->document_id, $item);
        }

        $sorted = $records->sort(
            static fn (OpenItemRecord $one, OpenItemRecord $other): int => [
                $one->due_date,
                $one->business_date,
                $one->document_id,
            ] <=> [$other->due_date, $other->business_date, $other->document_id],
        );

        return new self($sorted->values(), $house, null);
    }

    /** @return list<OpenItem> */
    public function values(): array
    {
        return array_values(
            $this->records
                ->map(fn (OpenItemRecord $item): OpenItem => $item->toValue($this->day))
                ->all(),
        );
    }

    /** The same, no settlement discount being given. */
    public function withoutDiscounts(): self
    {
        return new self($this->records, $this->house, null);
    }

    /**
     * @param  array<string, Money>|null  $byHand by label; null: oldest due first
     */
    public function spread(Money $amount, ?array $byHand = null): Spread
    {
        return $byHand === null
            ? Spread::oldestFirst($amount, $this->values())
            : Spread::byHand($amount, $this->values(), $byHand);
    }

    /** @param  list<int>  $documents that are met before the others */
    public function spreadFirst(Money $amount, array $documents): Spread
    {
        return Spread::chosenFirst(
            $amount,
            $this->values(),
            array_values($this->records->whereIn('document_id', $documents)->pluck('label')->all()),
        );
    }

    /** @return array<int, Money> by document id, as the ledger wants them */
    public function parts(Spread $spread): array
    {
        $ids = $this->records->pluck('document_id', 'label');
        $parts = [];

        foreach ($spread->shares as $share) {
            $parts[(int) $ids[$share->id]] = $share->settles();
        }

        return $parts;
    }

    /** @return array<int, Money> settlement discounts by document id, as the ledger wants them */
    public function discounts(Spread $spread): array
    {
        $ids = $this->records->pluck('document_id', 'label');
        $discounts = [];

        foreach ($spread->shares as $share) {
            $discounts[(int) $ids[$share->id]] = $share->discount;
        }

        return array_filter($discounts, static fn (Money $discount): bool => ! $discount->isZero());
    }

    public function total(): Money
    {
        return Money::sum(
            array_map(static fn (OpenItem $item): Money => $item->open, $this->values()),
            $this->house->currency(),
        );
    }
}
