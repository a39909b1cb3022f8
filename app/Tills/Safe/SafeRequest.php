<?php

declare(strict_types=1);

namespace Elmstone\Tills\Safe;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Shop\House;
use Elmstone\Support\Http\SaysAtItsField;
use Elmstone\Support\ShopTime;
use Elmstone\Tills\ReadsCash;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;

/** What is done with the safe, as typed. */
final class SafeRequest extends FormRequest
{
    use ReadsCash;
    use SaysAtItsField;

    /** Where what is refused is said. */
    private const FIELDS = [
        'no_amount' => 'amount',
        'more_than_in_safe' => 'rows',
        'nothing_paid_in' => 'rows',
        'cheque_gone' => 'paid_cheques',
        'nothing_paid_out' => 'batches',
        'batch_gone' => 'batches',
        'fee_too_large' => 'fee',
        'bad_amount' => 'fee',
        'day_closed' => 'day',
        'future_date' => 'day',
        'before_it_was_made' => 'day',
        'reason_missing' => 'reason',
        'note_missing' => 'note',
        'moved_meanwhile' => 'rows',
    ];

    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        return [
            'key' => ['required', 'uuid'],
            'paid_cheques' => ['nullable', 'array', 'max:2000'],
            'batches' => ['nullable', 'array', 'max:2000'],
            'paid_on' => ['nullable', 'date_format:Y-m-d'],
            'credited_on' => ['nullable', 'date_format:Y-m-d'],
            'pay_in_reference' => ['nullable', 'string', 'max:60'],
            'payout_reference' => ['nullable', 'string', 'max:60'],
            'fetch_note' => ['nullable', 'string', 'max:200'],
            'reason' => ['nullable', 'string', 'max:200'],
            'note' => ['nullable', 'string', 'max:200'],
        ];
    }

    /** @return list<int> what was ticked */
    public function ids(string $field): array
    {
        return array_values(array_map(
            intval(...),
            array_filter(
                $this->array($field),
                static fn (mixed $id): bool => is_string($id) && preg_match('/^\d{1,18}$/D', $id) === 1,
            ),
        ));
    }

    /**
     * An amount the page itself wrote, below zero or above.
     *
     * @throws ValidationException
     */
    public function seen(string $field): Money
    {
        $currency = app(House::class)->currency();

        return $this->checked($field, fn (): Money => Money::of($this->string($field)->value(), $currency));
    }

    /** The day that was chosen; none: today. */
    public function day(string $field): CarbonImmutable
    {
        $typed = $this->string($field)->value();

        return $typed === '' ? ShopTime::today() : CarbonImmutable::parse($typed, 'UTC');
    }
}
