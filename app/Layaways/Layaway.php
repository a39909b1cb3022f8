<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

use Carbon\CarbonImmutable;
use Elmstone\Agreements\Agreement;
use Elmstone\Agreements\AgreementKind;
use Elmstone\Core\Layaway\Instalment;
use Elmstone\Core\Layaway\Ladder;
use Elmstone\Core\Layaway\LayawayStanding;
use Elmstone\Core\Layaway\Rhythm;
use Elmstone\Core\Money\Money;
use Elmstone\Support\Casts\MoneyCast;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * Goods set aside for a customer against a deposit and further payments. Its money and its state are changed through
 * LayawayLedger only, under the row's lock.
 *
 * @property LayawayState $state
 * @property CarbonImmutable $expires_on
 * @property int $grace_days
 * @property CarbonImmutable $lapses_on the last day on which it still holds
 * @property Rhythm $rhythm
 * @property string $terms as AgreedTerms writes them
 * @property Money $paid_before paid before this schedule was made
 * @property CarbonImmutable|null $next_due
 * @property Money $next_open
 * @property CarbonImmutable|null $behind_from
 * @property CarbonImmutable|null $paid_on
 * @property-read Collection<int, LayawayInstalment> $allInstalments
 */
final class Layaway extends Agreement
{
    protected static function kind(): AgreementKind
    {
        return AgreementKind::Layaway;
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            ...parent::casts(),
            'state' => LayawayState::class,
            'rhythm' => Rhythm::class,
            'paid_before' => MoneyCast::class,
            'next_open' => MoneyCast::class,
            'expires_on' => 'immutable_date',
            'lapses_on' => 'immutable_date',
            'next_due' => 'immutable_date',
            'behind_from' => 'immutable_date',
            'paid_on' => 'immutable_date',
        ];
    }

    public function agreedTerms(): AgreedTerms
    {
        return AgreedTerms::fromJson($this->terms);
    }

    public function standing(): LayawayStanding
    {
        return LayawayStanding::of($this->total, $this->agreedTerms()->toValue(), [$this->held()]);
    }

    /** @return list<Instalment> of the schedule that was made last */
    public function instalments(): array
    {
        return array_values(
            $this->allInstalments
                ->where('revision', $this->allInstalments->max('revision'))
                ->map(
                    static fn (LayawayInstalment $part): Instalment => new Instalment($part->due, $part->amount),
                )
                ->all(),
        );
    }

    public function ladder(CarbonImmutable $day): Ladder
    {
        return Ladder::of(
            $this->instalments(),
            $this->held()->minus($this->paid_before)->orNothing(),
            $day,
        );
    }

    public function isBehind(CarbonImmutable $day): bool
    {
        return $this->state === LayawayState::Running
            && $this->written('behind_from') !== ''
            && $this->written('behind_from') <= $day->format('Y-m-d');
    }

    public function isExpired(CarbonImmutable $day): bool
    {
        return $this->state === LayawayState::Running && $this->written('lapses_on') < $day->format('Y-m-d');
    }

    /** In one word, as of a day. */
    public function stateWord(CarbonImmutable $day): string
    {
        return match (true) {
            $this->isExpired($day) => 'expired',
            $this->isBehind($day) => 'behind',
            $this->state === LayawayState::Ready => 'paid in full',
            default => $this->state->value,
        };
    }

    /** @return HasMany<LayawayInstalment, $this> of every revision */
    public function allInstalments(): HasMany
    {
        return $this->hasMany(LayawayInstalment::class, 'agreement_id')->orderBy('revision')->orderBy('position');
    }

    /** Whose it is, before it is locked. */
    public static function customerOf(int $id): int
    {
        $customer = self::query()->toBase()->where('id', $id)->value('customer_id');

        return is_int($customer) ? $customer : 0;
    }
}
