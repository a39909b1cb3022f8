<?php

declare(strict_types=1);

namespace Elmstone\Cards;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Shop\Till;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A question to a card terminal: to take money or to pay it back. Written down before it is asked, and kept whatever
 * comes of it.
 *
 * @property int $id
 * @property string $key names the question to the terminal
 * @property string $subject what it is for: slip, layaway, deposit, credit
 * @property int $subject_id
 * @property int $ordinal the how many-th question asked for it
 * @property int $till_id whose terminal was asked, and is asked again
 * @property int|null $staff_id who asked
 * @property Money $asked minor units
 * @property Money $approved minor units
 * @property CardState $state
 * @property string $reason
 * @property string $card_type
 * @property string $last_four
 * @property string $authorisation
 * @property string $against money back: the authorisation it was taken by; empty: it pays
 * @property int|null $document_id what it was posted with
 * @property CarbonImmutable $created_at
 * @property-read Till $till
 */
final class CardRequest extends Record
{
    protected $table = 'card_requests';

    public $timestamps = true;

    protected $attributes = [
        'against' => '',
        'approved' => 0,
        'reason' => '',
        'card_type' => '',
        'last_four' => '',
        'authorisation' => '',
        'document_id' => null,
    ];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected $casts = [
        'asked' => MoneyCast::class,
        'approved' => MoneyCast::class,
        'state' => CardState::class, 'created_at' => 'immutable_datetime',
    ];

    /** @return BelongsTo<Till, $this> */
    public function till(): BelongsTo
    {
        return $this->belongsTo(Till::class);
    }

    /** Whether money goes back to the card. */
    public function isBack(): bool
    {
        return $this->against !== '';
    }

    /** Whether money has moved by it, or may have, that no document says yet. */
    public function isPending(): bool
    {
        return $this->document_id === null && $this->state->isLive();
    }

    /** What has moved by it, or may have. */
    public function atStake(): Money
    {
        return $this->state === CardState::Asked ? $this->asked : $this->approved;
    }
}
