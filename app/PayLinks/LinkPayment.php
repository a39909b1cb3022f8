<?php

declare(strict_types=1);

namespace Elmstone\PayLinks;

use Carbon\CarbonImmutable;
use Closure;
use Elmstone\Books\Document;
use Elmstone\Core\Money\Money;
use Elmstone\Customers\Customer;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Ramsey\Uuid\Uuid;

/**
 * Somebody began to pay by a link; and what came of it. One at a time for each link.
 *
 * @property int $id
 * @property string $asks what the link says
 * @property int $ordinal the how many-th payment by it
 * @property string $slip_key what it is taken with
 * @property int $customer_id
 * @property string $about in words
 * @property Money $amount minor units, as who pays said; what was paid once it is
 * @property string $state open, paid or failed
 * @property string $reason why it came to nothing
 * @property int|null $document_id
 * @property CarbonImmutable $begun_at
 * @property CarbonImmutable|null $paid_at
 * @property int|null $seen_by
 * @property-read Customer $customer
 * @property-read Document|null $document
 */
final class LinkPayment extends Record
{
    public const OPEN = 'open';

    public const PAID = 'paid';

    public const FAILED = 'failed';

    /** Seconds after which who was at it is taken to have broken off. */
    private const HELD = 60;

    protected $table = 'link_payments';

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected $casts = [
        'amount' => MoneyCast::class,
        'begun_at' => 'immutable_datetime',
        'paid_at' => 'immutable_datetime',
    ];

    /** @return BelongsTo<Customer, $this> */
    public function customer(): BelongsTo
    {
        return $this->belongsTo(Customer::class);
    }

    /** @return BelongsTo<Document, $this> */
    public function document(): BelongsTo
    {
        return $this->belongsTo(Document::class);
    }

    /** The one that is begun and not ended; null: there is none. */
    public static function openOf(PayLink $link): ?self
    {
        return self::query()->where('asks', $link->asks())->where('state', self::OPEN)->first();
    }

    /** The one that is begun, or another one. Two who begin at once have the same. */
    public static function begin(PayableNow $now, Money $amount): self
    {
        $asks = $now->link->asks();
        $open = self::openOf($now->link);

        if ($open === null) {
            $ordinal = (int) self::query()->where('asks', $asks)->max('ordinal') + 1;
            self::query()->insertOrIgnore([
                'asks' => $asks,
                'ordinal' => $ordinal,
                'slip_key' => Uuid::uuid5(Uuid::NAMESPACE_OID, "paid by link {$asks} {$ordinal}")->toString(),
                'customer_id' => $now->customer->id,
                'about' => $now->words,
                'amount' => $amount,
                'state' => self::OPEN,
            ]);
            $open = self::query()->where('asks', $asks)->where('ordinal', $ordinal)->firstOrFail();
        }

        return $open;
    }

    /**
     * Does something with it while nobody else does: two windows that pay by one link follow each other.
     *
     * @param  Closure(): self  $do
     * @return self as it stands then; where somebody else is at it, as it stands now
     */
    public function held(Closure $do): self
    {
        $mine = self::query()
            ->whereKey($this->id)
            ->where('state', self::OPEN)
            ->where(static fn ($free) => $free->whereNull('held_until')->orWhere('held_until', '<', now()))
            ->update(['held_until' => now()->addSeconds(self::HELD)]);

        if ($mine === 0) {
            return $this->refresh();
        }

        try {
            return $do();
        } finally {
            self::query()->whereKey($this->id)->update(['held_until' => null]);
        }
    }

    /** It came to nothing; the link can be tried again. */
    public function fail(string $reason): self
    {
        self::query()->whereKey($this->id)->where('state', self::OPEN)->update([
            'state' => self::FAILED,
            'reason' => mb_substr($reason, 0, 255),
        ]);

        return $this->refresh();
    }

    /** How many came that nobody in the office has seen, or are stuck. */
    public static function unseen(): int
    {
        return self::query()->where('state', '<>', self::FAILED)->whereNull('seen_by')->count();
    }
}
