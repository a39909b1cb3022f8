<?php

declare(strict_types=1);

namespace Elmstone\WebOrders;

use Carbon\CarbonImmutable;
use Elmstone\Orders\Order;
use Elmstone\Staff\Staff;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What a sender sent under a number of theirs, as it came, and what became of it. Written by ReceiveWebOrder and
 * DecideWebOrder only, under its lock.
 *
 * @property int $id
 * @property int $sender_id
 * @property string $number theirs
 * @property string $digest of what they sent
 * @property string $via address, file, folder
 * @property string $xml
 * @property WebOrderState $state
 * @property list<array{kind: string, at: int|null, words: string}> $problems
 * @property array<int, string> $line_ids their lines, by position of the order
 * @property int|null $agreement_id
 * @property string $refused_why
 * @property CarbonImmutable $received_at
 * @property CarbonImmutable|null $decided_at
 * @property int $version
 * @property-read Sender $sender
 * @property-read Order|null $order
 * @property-read Staff|null $decider
 */
final class WebOrder extends Record
{
    protected $table = 'web_orders';

    protected $casts = [
        'state' => WebOrderState::class,
        'problems' => 'array',
        'line_ids' => 'array',
        'received_at' => 'immutable_datetime',
        'decided_at' => 'immutable_datetime',
        'version' => 'int',
    ];

    /** @return BelongsTo<Sender, $this> */
    public function sender(): BelongsTo
    {
        return $this->belongsTo(Sender::class);
    }

    /** @return BelongsTo<Order, $this> */
    public function order(): BelongsTo
    {
        return $this->belongsTo(Order::class, 'agreement_id');
    }

    /** @return BelongsTo<Staff, $this> */
    public function decider(): BelongsTo
    {
        return $this->belongsTo(Staff::class, 'decided_by');
    }

    public function isToLookAt(): bool
    {
        return $this->state === WebOrderState::Look;
    }

    /** @return list<Problem> */
    public function problemList(): array
    {
        return array_map(
            static fn (array $one): Problem => new Problem(ProblemKind::from($one['kind']), $one['at'], $one['words']),
            $this->problems,
        );
    }
}
