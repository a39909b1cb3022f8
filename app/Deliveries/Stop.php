<?php

declare(strict_types=1);

namespace Elmstone\Deliveries;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Core\Money\Refused;
use Elmstone\Orders\Order;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Where a vehicle brings goods of an order on a day.
 *
 * @property int $id
 * @property int $agreement_id
 * @property int $vehicle_id
 * @property CarbonImmutable $day
 * @property int $sequence
 * @property StopState $state
 * @property array<int, string>|null $left what was accepted, by position of the order
 * @property string $said what was refused, or why it failed
 * @property string $signed_by
 * @property string|null $signature strokes as an SVG path
 * @property CarbonImmutable|null $ended_at
 * @property int|null $ended_by
 * @property int|null $document_id its invoice
 * @property string $not_invoiced why it has none yet
 * @property int $version
 * @property-read Order $order
 * @property-read Vehicle $vehicle
 * @property-read Document|null $document
 */
final class Stop extends Record
{
    protected $table = 'stops';

    protected $casts = [
        'day' => 'immutable_date',
        'state' => StopState::class,
        'left' => 'array',
        'ended_at' => 'immutable_datetime',
    ];

    /** @return BelongsTo<Order, $this> */
    public function order(): BelongsTo
    {
        return $this->belongsTo(Order::class, 'agreement_id');
    }

    /** @return BelongsTo<Vehicle, $this> */
    public function vehicle(): BelongsTo
    {
        return $this->belongsTo(Vehicle::class);
    }

    /** @return BelongsTo<Document, $this> */
    public function document(): BelongsTo
    {
        return $this->belongsTo(Document::class);
    }

    /** @throws Refused not_found, changed_elsewhere */
    public static function lock(int $id, int $version): self
    {
        $stop = self::query()->whereKey($id)->lockForUpdate()->first()
            ?? throw Refused::because('not_found', 'There is no such stop any more.');

        return $stop->version === $version ? $stop : throw Refused::because(
            'changed_elsewhere',
            'Somebody has changed this stop meanwhile. Here is how it stands now.',
        );
    }
}
