<?php

declare(strict_types=1);

namespace Elmstone\Rewards;

use Closure;
use Elmstone\Core\Money\FourPlaces;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Core\Rewards\Programme;
use Elmstone\Shop\House;
use Illuminate\Foundation\Http\FormRequest;

/** The programme's terms as they were typed. */
final class RewardTermsRequest extends FormRequest
{
    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        $needed = $this->boolean('runs') ? 'required' : 'nullable';

        return [
            'per_unit' => [$needed, 'string', $this->rate(...)],
            'threshold' => [$needed, 'integer', 'between:1,1000000000'],
            'reward' => [$needed, 'string', $this->reward(...)],
            'months' => ['nullable', 'integer', 'between:1,120'],
            'rate' => ['array'],
            'rate.*' => ['nullable', 'string', $this->rate(...)],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'per_unit.required' => 'How many points?',
            'threshold.*' => 'Type whole points, 1 or more.',
            'reward.required' => 'What do so many points become?',
            'months.*' => 'Type 1 to 120 months, or nothing.',
        ];
    }

    /** @return array{per_unit: string, threshold: int, reward: Money, months: int|null}|null null: no programme */
    public function terms(): ?array
    {
        return $this->boolean('runs') ? [
            'per_unit' => self::plain($this->string('per_unit')->value()),
            'threshold' => $this->integer('threshold'),
            'reward' => $this->money() ?? app(House::class)->money(0),
            'months' => $this->filled('months') ? $this->integer('months') : null,
        ] : null;
    }

    /** @return array<int, string|null> by department; null: as the programme has it */
    public function rates(): array
    {
        $rates = [];

        foreach ((array) $this->input('rate', []) as $department => $typed) {
            $rates[(int) $department] = is_string($typed) && trim($typed) !== '' ? self::plain($typed) : null;
        }

        return $rates;
    }

    private function money(): ?Money
    {
        return app(House::class)->typedMoney($this->string('reward')->value());
    }

    private static function plain(string $typed): string
    {
        return TypedNumber::plain(trim($typed));
    }

    /** @param  Closure(string): mixed  $fail */
    private function rate(string $attribute, mixed $value, Closure $fail): void
    {
        try {
            FourPlaces::read(self::plain(is_string($value) ? $value : ''), 'bad_points', 'a number of points');
        } catch (Refused $refused) {
            $fail($refused->getMessage());
        }
    }

    /** @param  Closure(string): mixed  $fail */
    private function reward(string $attribute, mixed $value, Closure $fail): void
    {
        try {
            Programme::of('1', 1, $this->money() ?? app(House::class)->money(0));
        } catch (Refused $refused) {
            $fail($refused->getMessage());
        }
    }
}
