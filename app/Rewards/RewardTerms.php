<?php

declare(strict_types=1);

namespace Elmstone\Rewards;

use Brick\Math\BigDecimal;
use Elmstone\Catalogue\Department;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Rewards\Programme;
use Elmstone\Shop\House;
use Elmstone\Shop\Settings;
use Elmstone\Shop\Shop;
use Illuminate\Support\Facades\DB;

/** The shop's programme: points for each unit of net, by department where one differs, what they become, and when. */
final class RewardTerms
{
    /** @var array<int, string>|null rates by department, of those that have their own */
    private ?array $own = null;

    public function __construct(private readonly House $house, private readonly Settings $settings)
    {
    }

    /** @return Programme|null null: there is none */
    public function programme(): ?Programme
    {
        $terms = $this->house->shop()->rewards;

        return $terms === null
            ? null
            : Programme::of(
                $terms['per_unit'],
                $terms['threshold'],
                Money::of($terms['reward'], $this->house->currency()),
            );
    }

    /** After so many months points run out; null: never. */
    public function months(): ?int
    {
        return $this->house->shop()->rewards['months'] ?? null;
    }

    /** Points for each unit of net of a department; nothing for a fee. */
    public function rate(Programme $programme, ?int $department): BigDecimal
    {
        $this->own ??= array_map(
            static fn (mixed $rate): string => is_string($rate) ? $rate : '0',
            Department::query()->whereNotNull('reward_rate')->toBase()->pluck('reward_rate', 'id')->all(),
        );

        return $department === null
            ? BigDecimal::zero()
            : BigDecimal::of($this->own[$department] ?? $programme->perUnit)->stripTrailingZeros();
    }

    /**
     * @param  array{per_unit: string, threshold: int, reward: Money, months: int|null}|null  $terms null: no programme
     * @param  array<int, string|null>  $rates by department; null: the programme's
     */
    public function keep(?array $terms, array $rates): void
    {
        $this->own = null;
        DB::transaction(static function () use ($terms, $rates): void {
            Shop::query()->firstOrFail()->update([
                'rewards' => $terms === null ? null : [...$terms, 'reward' => $terms['reward']->toString()],
            ]);

            foreach ($rates as $department => $rate) {
                Department::query()->whereKey($department)->update(['reward_rate' => $rate]);
            }
        });
        $this->settings->forget();
    }
}
