<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Payments;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Shop\House;
use Elmstone\Support\Http\TypedWay;
use Elmstone\Support\ShopTime;
use Elmstone\Support\TypedDate;
use Illuminate\Http\Request;
use Illuminate\Support\Str;

/** A payment as it stands in its form, finished or not. */
final readonly class PaymentForm
{
    public const KINDS = [TenderKind::Cheque, TenderKind::BankTransfer, TenderKind::Cash, TenderKind::Card];

    /**
     * @param  string  $amountTyped as typed
     * @param  Money|null  $amount null: nothing that can be read
     * @param  string  $spread oldest, hand, named, or set-1 … for the exact sets
     * @param  array<string, string>  $typed what was typed beside each item
     * @param  array<string, Refused>  $refused by field, what was typed there and cannot be
     */
    private function __construct(
        public string $amountTyped,
        public ?Money $amount,
        public TenderKind $kind,
        public string $reference,
        public CarbonImmutable $day,
        public string $spread,
        public array $typed,
        public string $key,
        public string $reason,
        public bool $sure,
        public bool $takenAllTheSame,
        public bool $leavesDiscount,
        private array $refused,
    ) {
    }

    public static function from(Request $request, House $house): self
    {
        $typed = trim($request->string('amount')->value());
        $amount = self::tried(static fn (): ?Money => self::amount($typed, $house));
        $kind = self::tried(static fn (): TenderKind => TypedWay::of($request, 'kind', TenderKind::Cheque));
        $day = self::tried(static fn (): CarbonImmutable => self::day($request->string('day')->value()));
        $spread = $request->string('spread')->value();
        $key = $request->string('key')->value();
        $parts = array_filter((array) $request->input('on', []), is_string(...));

        return new self(
            $typed,
            $amount instanceof Refused ? null : $amount,
            $kind instanceof Refused ? TenderKind::Cheque : $kind,
            mb_substr(trim($request->string('reference')->value()), 0, 60),
            $day instanceof Refused ? ShopTime::today() : $day,
            preg_match('/^(oldest|hand|named|set-[1-5])$/D', $spread) === 1 ? $spread : 'oldest',
            array_map(trim(...), $parts),
            Str::isUuid($key) ? $key : (string) Str::uuid(),
            mb_substr(trim($request->string('reason')->value()), 0, 255),
            $request->boolean('sure'),
            $request->boolean('all_the_same'),
            $request->boolean('leave_discount'),
            array_filter(
                ['amount' => $amount, 'kind' => $kind, 'day' => $day],
                static fn (mixed $read): bool => $read instanceof Refused,
            ),
        );
    }

    /**
     * @template T
     *
     * @param  callable(): T  $read
     * @return T|Refused
     */
    private static function tried(callable $read): mixed
    {
        try {
            return $read();
        } catch (Refused $refused) {
            return $refused;
        }
    }

    /** @throws Refused bad_amount, and what is no number */
    private static function amount(string $typed, House $house): ?Money
    {
        if ($typed === '') {
            return null;
        }

        $amount = $house->fitting(Money::of(TypedNumber::plain($typed), $house->currency()));

        return $amount->isPositive()
            ? $amount
            : throw Refused::because('bad_amount', 'A payment is more than nothing.');
    }

    /** @throws Refused bad_date */
    private static function day(string $typed): CarbonImmutable
    {
        return $typed === ''
            ? ShopTime::today()
            : TypedDate::of($typed) ?? throw Refused::because('bad_date', "“{$typed}” is no date.");
    }

    /** Why what was typed in a field cannot be; nothing: it can. */
    public function complaint(string $field): string
    {
        return ($this->refused[$field] ?? null)?->getMessage() ?? '';
    }

    /** @throws Refused what was typed in one of its fields cannot be */
    public function assertReadable(): void
    {
        foreach ($this->refused as $refused) {
            throw $refused;
        }
    }

    /**
     * What was typed beside the items, as amounts.
     *
     * @return array<string, Money> by item
     *
     * @throws Refused
     */
    public function byHand(House $house): array
    {
        $amounts = [];

        foreach ($this->typed as $label => $text) {
            if (! in_array($text, ['', '–', '—', '-', '0'], true)) {
                $amounts[(string) $label] = $house->fitting(Money::of(TypedNumber::plain($text), $house->currency()));
            }
        }

        return $amounts;
    }
}
