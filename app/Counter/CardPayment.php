<?php

declare(strict_types=1);

namespace Elmstone\Counter;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * A card asked to pay for an open slip. Kept whatever comes of it.
 *
 * @property int $id
 * @property string $key names the request to the terminal
 * @property int $slip_id
 * @property int $till_id whose terminal was asked
 * @property int $asked minor units
 * @property int $approved minor units
 * @property CardState $state
 * @property string $reason
 * @property string $card_type
 * @property string $last_four
 * @property string $authorisation
 * @property string $against money back: the authorisation it was taken by; empty: it pays
 * @property CarbonImmutable $created_at
 */
final class CardPayment extends Model
{
    protected $guarded = [];

    protected $attributes = ['against' => ''];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected $casts = ['state' => CardState::class, 'created_at' => 'immutable_datetime'];

    /** Whether money goes back to the card. */
    public function isBack(): bool
    {
        return $this->against !== '';
    }
}
