<?php

declare(strict_types=1);

namespace Elmstone\Ledger\Pages;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Slip\RefusedOnLine;
use Elmstone\Ledger\EntryRow;
use Elmstone\Shop\House;
use Elmstone\Support\Http\SaysAtItsField;
use Elmstone\Support\ShopTime;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;

/** An entry by hand as typed. */
final class EntryRequest extends FormRequest
{
    use SaysAtItsField;

    public const ROWS = 8;

    /** Where what is refused is said. */
    private const FIELDS = [
        'reason_missing' => 'reason',
        'no_rows' => 'rows',
        'not_balanced' => 'rows',
        'future_date' => 'day',
        'day_closed' => 'day',
    ];

    /** @var list<int> the row each entry stands in on the page */
    private array $places = [];

    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        return [
            'key' => ['required', 'uuid'],
            'day' => ['required', 'date_format:Y-m-d', 'after:1999-12-31', 'before:2100-01-01'],
            'reason' => ['nullable', 'string', 'max:200'],
            'rows' => ['array', 'max:'.self::ROWS],
            'rows.*' => ['array'],
            'rows.*.account' => ['nullable', 'string', 'max:40'],
            'rows.*.debit' => ['nullable', 'string', 'max:20'],
            'rows.*.credit' => ['nullable', 'string', 'max:20'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['day.*' => 'Type the day as 2027-01-31.'];
    }

    public function day(): CarbonImmutable
    {
        return CarbonImmutable::createFromFormat('!Y-m-d', $this->string('day')->value()) ?? ShopTime::today();
    }

    /**
     * @return list<EntryRow>
     *
     * @throws ValidationException
     */
    public function entries(House $house): array
    {
        $rows = [];
        $this->places = [];

        for ($place = 0; $place < self::ROWS; $place++) {
            $typed = fn (string $field): string => $this->string("rows.{$place}.{$field}")->trim()->value();

            if ($typed('account').$typed('debit').$typed('credit') === '') {
                continue;
            }

            $rows[] = new EntryRow(
                $typed('account'), $this->amount($house, $place, 'debit'), $this->amount($house, $place, 'credit'),
            );
            $this->places[] = $place;
        }

        return $rows;
    }

    private function amount(House $house, int $place, string $side): Money
    {
        try {
            return $house->typedMoney($this->string("rows.{$place}.{$side}")->value()) ?? $house->money(0);
        } catch (Refused $refused) {
            throw ValidationException::withMessages(["rows.{$place}" => $refused->getMessage()]);
        }
    }

    /**
     * What is refused of a row is said beside it.
     *
     * @param  callable(): int  $post
     *
     * @throws ValidationException
     */
    public function posting(callable $post): int
    {
        try {
            return $this->saidAtItsField($post);
        } catch (RefusedOnLine $refused) {
            throw ValidationException::withMessages([
                'rows.'.($this->places[$refused->line] ?? 0) => $refused->getMessage(),
            ]);
        }
    }
}
