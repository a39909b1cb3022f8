<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Ledger;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Receivables\ItemKind;
use Elmstone\Core\Receivables\OpenItem;
use Elmstone\Core\Receivables\Terms;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Casts\PercentageCast;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Facades\DB;

/**
 * What a document did to an account, and what of it is open now. Only what is open ever changes, and only through
 * Ledger.
 *
 * @property int $document_id
 * @property int $customer_id
 * @property string $label the document's number
 * @property ItemKind $kind
 * @property Purpose $purpose
 * @property CarbonImmutable $business_date
 * @property CarbonImmutable $due_date
 * @property Percentage|null $discount_percent settlement discount, as agreed when it was made
 * @property CarbonImmutable|null $discount_until
 * @property Money $amount minor units, above zero
 * @property Money $open minor units
 * @property CarbonImmutable $moved_on
 * @property-read Document $document
 */
final class OpenItemRecord extends Record
{
    /** Whether what is open less is credit alone, and nothing was paid on it: what remains keeps its discount. */
    private bool $isCreditedOnly = false;

    protected $table = 'open_items';

    protected $primaryKey = 'document_id';

    public $incrementing = false;

    protected $casts = [
        'amount' => MoneyCast::class,
        'open' => MoneyCast::class,
        'discount_percent' => PercentageCast::class,
        'kind' => ItemKind::class,
        'purpose' => Purpose::class,
        'business_date' => 'immutable_date',
        'due_date' => 'immutable_date',
        'discount_until' => 'immutable_date',
        'moved_on' => 'immutable_date',
    ];

    /** @param  CarbonImmutable|null  $paidOn the day it would be paid on, for its settlement discount */
    public function toValue(?CarbonImmutable $paidOn = null): OpenItem
    {
        return $this->kind === ItemKind::Credit
            ? OpenItem::credit($this->label, $this->business_date, $this->open)
            : OpenItem::charge(
                $this->label,
                $this->business_date,
                $this->due_date,
                $this->open,
                $paidOn === null ? null : $this->discountOn($paidOn),
                $this->purpose === Purpose::FinanceCharge,
            );
    }

    /** What it did to the balance. */
    public function signedAmount(): Money
    {
        return $this->kind === ItemKind::Charge ? $this->amount : $this->amount->negated();
    }

    /** What is open of it, as it stands in the balance. */
    public function signedOpen(): Money
    {
        return $this->kind === ItemKind::Charge ? $this->open : $this->open->negated();
    }

    /**
     * Finds out of which items that are open in part only credit notes took something off.
     *
     * @param  Collection<int, self>  $items
     * @return Collection<int, self> the same
     */
    public static function withCredits(Collection $items): Collection
    {
        $partly = $items->filter(
            static fn (self $item): bool => $item->discount_percent !== null && $item->amount->exceeds($item->open),
        );
        $paid = $partly->isEmpty()
            ? []
            : DB::table('allocations as a')
                ->join('open_items as c', 'c.document_id', '=', 'a.credit_id')
                ->whereIn('a.charge_id', $partly->modelKeys())
                ->where('c.purpose', Purpose::Payment->value)
                ->groupBy('a.charge_id')
                ->havingRaw('SUM(a.amount) <> 0')
                ->pluck('a.charge_id')
                ->map(static fn (mixed $id): int => is_numeric($id) ? (int) $id : 0)
                ->all();
        $partly->each(static function (self $item) use ($paid): void {
            $item->isCreditedOnly = ! in_array($item->document_id, $paid, true);
        });

        return $items;
    }

    /** Settlement discount holds for an item that nothing was paid on yet. */
    private function discountOn(CarbonImmutable $paidOn): ?Money
    {
        return $this->discount_percent !== null
            && $this->discount_until !== null
            && ($this->open->equals($this->amount) || $this->isCreditedOnly)
            && $paidOn->startOfDay()->lessThanOrEqualTo($this->discount_until)
            ? Terms::discountOn($this->open, $this->discount_percent)
            : null;
    }

    /** @return BelongsTo<Document, $this> */
    public function document(): BelongsTo
    {
        return $this->belongsTo(Document::class);
    }
}
