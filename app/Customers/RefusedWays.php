<?php

declare(strict_types=1);

namespace Elmstone\Customers;

use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Staff\Staff;
use Illuminate\Support\Facades\DB;

/** Ways of paying that are not taken from a customer, each with why. Every change is on record. */
final readonly class RefusedWays
{
    /** Those that can be refused: a card's issuer answers for itself, and what is held for somebody is theirs. */
    public const KINDS = [TenderKind::Cash, TenderKind::Cheque, TenderKind::HouseAccount];

    /** @param  array<string, string>  $why by kind */
    private function __construct(public array $why)
    {
    }

    public static function of(?Customer $customer): self
    {
        $why = [];

        foreach ($customer->refused_ways ?? [] as $kind => $reason) {
            TenderKind::tryFrom((string) $kind) === null || ($why[(string) $kind] = (string) $reason);
        }

        return new self($why);
    }

    /** @return string|null null: it is taken */
    public function why(TenderKind $kind): ?string
    {
        return $this->why[$kind->value] ?? null;
    }

    /** "Cheques are not taken from them: one came back." */
    public function words(TenderKind $kind): string
    {
        $what = match ($kind) {
            TenderKind::Cheque => 'Cheques are',
            TenderKind::HouseAccount => 'Charging their account is',
            default => "{$kind->label()} is",
        };
        $why = $this->why($kind) ?? '';

        return "{$what} not taken from them".($why === '' ? '.' : ": {$why}.");
    }

    /** After their account and all that is held of theirs: whoever adds to them holds the customer. */
    public static function lock(int $customer): void
    {
        Customer::query()->lockForUpdate()->whereKey($customer)->value('id');
    }

    /** One more is not taken from now on, the customer locked; where it was refused before, the first reason stays. */
    public static function add(int $customer, TenderKind $kind, string $why, Staff $by): void
    {
        $ways = self::of(Customer::query()->findOrFail($customer));

        if ($ways->why($kind) === null) {
            $now = new self([...$ways->why, $kind->value => mb_substr($why, 0, 160)]);
            DB::table('customers')->where('id', $customer)->update([
                'refused_ways' => json_encode($now->why, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
            ]);
            CustomerChanges::record($customer, $by, 'ways not taken', $ways->written(), $now->written());
        }
    }

    public function written(): string
    {
        return implode('; ', array_map(
            static fn (string $kind, string $why): string => TenderKind::from($kind)->label()
                .($why === '' ? '' : ": {$why}"),
            array_keys($this->why),
            $this->why,
        ));
    }
}
