<?php

declare(strict_types=1);

namespace Elmstone\Catalogue\Families;

use Closure;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Core\Money\UnitPrice;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/** A grid as it was typed: prices and barcodes by item, codes by "row column". */
final class GridRequest extends FormRequest
{
    public const KINDS = ['prices', 'barcodes', 'codes'];

    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        return [
            'version' => ['required', 'integer'],
            'kind' => ['required', Rule::in(self::KINDS)],
            'cell' => ['nullable', 'array', 'max:'.Family::MOST],
            'cell.*' => ['nullable', 'string', 'max:24', ...$this->input('kind') === 'prices'
                ? [$this->typedPrice(...)]
                : []],
            'price' => ['nullable', 'string', $this->typedPrice(...)],
        ];
    }

    public function kind(): string
    {
        return $this->string('kind')->value();
    }

    public function price(): ?UnitPrice
    {
        return $this->filled('price') ? self::read($this->string('price')->value()) : null;
    }

    /** @return array<int, UnitPrice|null> by item */
    public function prices(): array
    {
        return array_map(
            static fn (string $typed): ?UnitPrice => $typed === '' ? null : self::read($typed),
            $this->byItem(),
        );
    }

    /** @return array<int, string> by item */
    public function barcodes(): array
    {
        return array_map(static fn (string $typed): string => preg_replace('/\s+/', '', $typed) ?? '', $this->byItem());
    }

    /** @return array<string, string> by cell, "row column" */
    public function codes(): array
    {
        $codes = [];

        foreach ($this->typed() as $cell => $code) {
            $codes[str_replace('-', ' ', (string) $cell)] = $code;
        }

        return $codes;
    }

    /**
     * @param  Closure(): mixed  $act
     *
     * @throws ValidationException
     */
    public function saidAtItsCell(Closure $act, string $done): string
    {
        try {
            $act();
        } catch (CellRefused $refused) {
            throw ValidationException::withMessages([
                'cell.'.str_replace(' ', '-', $refused->cell) => $refused->getMessage(),
            ]);
        }

        return $done;
    }

    /** @return array<int, string> */
    private function byItem(): array
    {
        return array_filter($this->typed(), is_int(...), ARRAY_FILTER_USE_KEY);
    }

    /** @return array<int|string, string> */
    private function typed(): array
    {
        return array_map(
            static fn (mixed $typed): string => is_string($typed) ? trim($typed) : '',
            (array) $this->input('cell', []),
        );
    }

    private static function read(string $typed): UnitPrice
    {
        return UnitPrice::of(TypedNumber::plain($typed));
    }

    /** @param  Closure(string): mixed  $fail */
    private function typedPrice(string $attribute, mixed $value, Closure $fail): void
    {
        try {
            self::read(is_string($value) ? $value : '');
        } catch (Refused $refused) {
            $fail($refused->getMessage());
        }
    }
}
