<?php

declare(strict_types=1);

namespace Elmstone\Purchasing\Pages;

use Brick\Math\BigDecimal;
use Carbon\CarbonImmutable;
use Elmstone\Catalogue\ItemSearch;
use Elmstone\Catalogue\Serials;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Purchasing\Transfers\CountedIn;
use Elmstone\Purchasing\Transfers\SentLine;
use Elmstone\Purchasing\Transfers\Transfer;
use Elmstone\Purchasing\Transfers\TransferLine;
use Elmstone\Support\Http\SaysAtItsField;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;

/** What is sent to another location, or counted in there, as typed. */
final class TransferRequest extends FormRequest
{
    use SaysAtItsField;

    /** Where what is refused is said; the rest above the page. */
    private const FIELDS = ['expected_past' => 'expected_on', 'same_place' => 'to', 'reason_missing' => 'why'];

    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        return [
            'version' => ['nullable', 'integer'],
            'key' => ['required', 'uuid'],
            'to' => ['nullable', 'integer'],
            'rows' => ['nullable', 'array', 'max:300'],
            'arrived' => ['nullable', 'array', 'max:300'],
            'missing' => ['nullable', 'array', 'max:300'],
            'serials' => ['nullable', 'array', 'max:300'],
            'expected_on' => ['nullable', 'date_format:Y-m-d'],
            'note' => ['nullable', 'string', 'max:255'],
            'why' => ['nullable', 'string', 'max:120'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['expected_on.date_format' => 'Type the day as 2027-03-14.'];
    }

    public function expected(): ?CarbonImmutable
    {
        $typed = $this->string('expected_on')->value();

        return $typed === '' ? null : CarbonImmutable::parse($typed, 'UTC');
    }

    /**
     * Rows with a code; those without are empty.
     *
     * @return list<SentLine>
     *
     * @throws ValidationException
     */
    public function lines(ItemSearch $search): array
    {
        $lines = [];

        foreach (array_keys($this->array('rows')) as $row) {
            $code = $this->string("rows.{$row}.code")->trim()->value();
            $many = $this->string("rows.{$row}.many")->trim()->value();

            if ($code === '' && $many === '' || $this->isTakenOff($row, $many)) {
                continue;
            }

            $lines[] = self::at("rows.{$row}", function () use ($search, $row, $code, $many): SentLine {
                $item = $search->exact($code)
                    ?? throw Refused::because('not_found', "No item has the code or barcode “{$code}”.");

                return new SentLine(
                    $item,
                    Quantity::of(TypedNumber::plain($many)),
                    Serials::read($this->string("rows.{$row}.serials")->value()),
                );
            });
        }

        return $lines;
    }

    /** A row that was proposed, and whose number is taken out, stays here. */
    private function isTakenOff(int|string $row, string $many): bool
    {
        return $this->boolean("rows.{$row}.proposed") && in_array($many, ['', '0'], true);
    }

    /**
     * @return list<CountedIn>
     *
     * @throws ValidationException
     */
    public function counted(Transfer $transfer): array
    {
        return array_values($transfer->lines->map(fn (TransferLine $line): CountedIn => self::at(
            "arrived.{$line->position}",
            fn (): CountedIn => new CountedIn(
                $line->position,
                $this->amount("arrived.{$line->position}"),
                $this->amount("missing.{$line->position}"),
                Serials::read($this->string("serials.{$line->position}")->value()),
            ),
        ))->all());
    }

    private function amount(string $field): BigDecimal
    {
        $typed = $this->string($field)->trim()->value();

        return in_array($typed, ['', '0'], true)
            ? BigDecimal::zero()
            : Quantity::of(TypedNumber::plain($typed))->value;
    }

    /**
     * @template T
     *
     * @param  callable(): T  $read
     * @return T
     *
     * @throws ValidationException
     */
    private static function at(string $field, callable $read): mixed
    {
        try {
            return $read();
        } catch (Refused $refused) {
            self::refuse($field, $refused->getMessage());
        }
    }

    private static function refuse(string $field, string $words): never
    {
        throw ValidationException::withMessages([$field => $words]);
    }
}
