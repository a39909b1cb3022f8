<?php

declare(strict_types=1);

namespace Elmstone\Plans;

use Carbon\CarbonImmutable;
use Elmstone\Core\Layaway\Rhythm;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Shop\House;
use Elmstone\Support\ShopTime;
use Elmstone\Support\TypedDate;
use Illuminate\Http\Request;

/** A plan as it was typed; the shop's terms where nothing was. */
final readonly class PlanForm
{
    private function __construct(
        public string $charge,
        public string $count,
        public string $rhythm,
        public string $first,
        private House $house,
    ) {
    }

    public static function read(Request $request, House $house): self
    {
        $terms = PlanTerms::of($house);
        $written = $terms->percent !== null
                ? "{$terms->percent} %"
                : ($terms->amount === null
                    ? ''
                    : $terms->amount->toString());
        $typed = static fn (string $name, string $otherwise): string => trim(
            $request->has($name) ? $request->string($name)->value() : $otherwise,
        );

        return new self(
            $typed('charge', $written),
            $typed('count', (string) $terms->count),
            $typed('rhythm', $terms->rhythm->value),
            $typed('first_due', ShopTime::today()->addMonthNoOverflow()->format('Y-m-d')),
            $house,
        );
    }

    /** @throws Refused bad_count, bad_rhythm, bad_percent, bad_amount */
    public function terms(): PlanTerms
    {
        if (preg_match('/^\d{1,3}$/D', $this->count) !== 1 || (int) $this->count < 1 || (int) $this->count > 120) {
            throw Refused::because('bad_count', 'A plan has between 1 and 120 parts.');
        }

        $rhythm = Rhythm::tryFrom($this->rhythm)
            ?? throw Refused::because('bad_rhythm', 'Parts fall due by week, fortnight or month.');

        return new PlanTerms(...[...$this->portion(), (int) $this->count, $rhythm]);
    }

    /** @throws Refused bad_date */
    public function firstDue(): CarbonImmutable
    {
        return TypedDate::of($this->first)
            ?? throw Refused::because('bad_date', "“{$this->first}” is not a date.");
    }

    /** @return array{string|null, Money|null} percent, amount */
    private function portion(): array
    {
        if (preg_match('/^([\d.,]+)\s*%$/D', $this->charge, $found) === 1) {
            return [Percentage::of(TypedNumber::plain($found[1]))->toString(), null];
        }

        $amount = $this->charge === ''
                ? null
                : $this->house->fitting(Money::of(TypedNumber::plain($this->charge), $this->house->currency()));

        return $amount?->isNegative() === true
            ? throw Refused::because('bad_amount', 'A charge cannot be below zero.')
            : [null, $amount];
    }
}
