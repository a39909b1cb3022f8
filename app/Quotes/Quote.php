<?php

declare(strict_types=1);

namespace Elmstone\Quotes;

use Carbon\CarbonImmutable;
use Elmstone\Agreements\Agreement;
use Elmstone\Agreements\AgreementKind;
use Elmstone\Core\Money\Refused;
use Elmstone\Customers\Customer;

/**
 * A priced offer, for somebody we know or not, whose prices hold until a day. It has no journal and sets nothing aside.
 * A change is another revision; earlier ones stay.
 *
 * @property int|null $customer_id null: for nobody we know
 * @property Customer|null $customer
 * @property QuoteState $state
 * @property CarbonImmutable $valid_until the last day on which its prices hold
 * @property CarbonImmutable|null $follow_up_on
 * @property string $party who it is for, where nobody we know
 * @property string $note to the customer
 * @property string $ended_why
 */
final class Quote extends Agreement
{
    protected $with = [];

    protected static function kind(): AgreementKind
    {
        return AgreementKind::Quote;
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            ...parent::casts(),
            'state' => QuoteState::class,
            'valid_until' => 'immutable_date',
            'follow_up_on' => 'immutable_date',
        ];
    }

    /** The one that exactly this names: "QUO-000012", in any case and with or without zeros. */
    public static function named(string $typed): ?self
    {
        return preg_match('/^\s*QUO-?0*(\d{1,9})\s*$/i', $typed, $found) === 1
            ? self::query()->with(['customer.type.priceLevel', 'allLines.item'])->find((int) $found[1])
            : null;
    }

    /** @throws Refused not_found */
    public static function lock(int $id): self
    {
        return self::query()->whereKey($id)->lockForUpdate()->first()
            ?? throw Refused::because('not_found', 'There is no such quote.');
    }

    public function isOpen(): bool
    {
        return $this->state === QuoteState::Open;
    }

    public function isExpired(CarbonImmutable $day): bool
    {
        return $this->isOpen() && $this->written('valid_until') < $day->format('Y-m-d');
    }

    /** Who it is for. */
    public function who(): string
    {
        return $this->customer->name ?? ($this->party === '' ? 'not named' : $this->party);
    }

    /** In one word, as of a day. */
    public function stateWord(CarbonImmutable $day): string
    {
        return $this->isExpired($day) ? 'ran out' : $this->state->value;
    }

    /** Whether somebody should ask after it by a day. */
    public function isDue(CarbonImmutable $day): bool
    {
        return $this->isOpen() && $this->written('follow_up_on') !== ''
            && $this->written('follow_up_on') <= $day->format('Y-m-d');
    }
}
