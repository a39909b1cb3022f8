<?php

declare(strict_types=1);

namespace Elmstone\Cards;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use Elmstone\Shop\Till;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Casts\PercentageCast;
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
 * @property Money $surcharge minor units of what was asked, before tax is added; of money back: nothing
 * @property Money $surcharge_total minor units, tax in it, once it stands on a document or goes back
 * @property string|null $surcharge_class its tax class
 * @property Percentage|null $surcharge_percent
 * @property int|null $surcharge_line its place on the document
 * @property string $read_as the kind of card that was read before it was asked; empty: none was
 * @property int|null $on_file_id the card on file that is asked; null: the one that is put in
 * @property bool $absent whether the card was not there
 * @property string $given_postcode what the terminal compares; empty: nothing
 * @property string $given_number of the house in its street
 * @property bool|null $postcode_matches null: not compared
 * @property bool|null $number_matches
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
        'surcharge' => 0,
        'surcharge_total' => 0,
        'surcharge_class' => null,
        'surcharge_percent' => null,
        'surcharge_line' => null,
        'read_as' => '',
        'on_file_id' => null,
        'absent' => false,
        'given_postcode' => '',
        'given_number' => '',
        'postcode_matches' => null,
        'number_matches' => null,
        'document_id' => null,
    ];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected $casts = [
        'asked' => MoneyCast::class,
        'approved' => MoneyCast::class,
        'surcharge' => MoneyCast::class,
        'surcharge_total' => MoneyCast::class,
        'surcharge_percent' => PercentageCast::class,
        'absent' => 'bool',
        'postcode_matches' => 'bool',
        'number_matches' => 'bool',
        'state' => CardState::class, 'created_at' => 'immutable_datetime',
    ];

    /** @return BelongsTo<Till, $this> */
    public function till(): BelongsTo
    {
        return $this->belongsTo(Till::class);
    }

    /** What matched of what its holder said, in words; empty: nothing was compared. */
    public function matchWords(): string
    {
        $words = [];

        foreach (['postal code' => $this->postcode_matches, 'street number' => $this->number_matches] as $what => $is) {
            $is === null || ($words[] = $is ? "{$what} matches" : "{$what} does not match");
        }

        return implode(', ', $words);
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

    /** Whether a surcharge stands on the slip for it: it pays one, or would. */
    public function bearsSurcharge(): bool
    {
        return ! $this->isBack()
            && $this->surcharge->isPositive()
            && ($this->state->isLive() || $this->state === CardState::Read);
    }

    /** Whether another kind of card paid than was read: its surcharge is not what was said before. */
    public function isOtherCard(): bool
    {
        return $this->read_as !== '' && $this->state === CardState::Approved && $this->card_type !== $this->read_as;
    }

    /** What has moved by it, or may have. */
    public function atStake(): Money
    {
        return $this->state === CardState::Asked ? $this->asked : $this->approved;
    }
}
