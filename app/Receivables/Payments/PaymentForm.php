<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Payments;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Shop\House;
use Elmstone\Support\ShopTime;
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
        public string $complaint,
    ) {
    }

    public static function from(Request $request, House $house): self
    {
        $typed = trim($request->string('amount')->value());
        $amount = null;
        $complaint = '';

        try {
            $amount = $typed === '' ? null : $house->fitting(Money::of(TypedNumber::plain($typed), $house->currency()));

            if ($amount !== null && ! $amount->isPositive()) {
                $complaint = 'A payment is more than nothing.';
                $amount = null;
            }
        } catch (Refused $refused) {
            $complaint = $refused->getMessage();
        }

        $day = $request->string('day')->value();
        $key = $request->string('key')->value();
        $parts = array_filter((array) $request->input('on', []), is_string(...));

        return new self(
            $typed,
            $amount,
            TenderKind::tryFrom($request->string('kind')->value()) ?? TenderKind::Cheque,
            mb_substr(trim($request->string('reference')->value()), 0, 60),
            preg_match('/^\d{4}-\d\d-\d\d$/', $day) === 1 ? CarbonImmutable::parse($day) : ShopTime::today(),
            preg_match('/^(oldest|hand|named|set-[1-5])$/', $request->string('spread')->value()) === 1
                ? $request->string('spread')->value()
                : 'oldest',
            array_map(trim(...), $parts),
            Str::isUuid($key) ? $key : (string) Str::uuid(),
            mb_substr(trim($request->string('reason')->value()), 0, 255),
            $request->boolean('sure'),
            $request->boolean('all_the_same'),
            $request->boolean('leave_discount'),
            $complaint,
        );
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
