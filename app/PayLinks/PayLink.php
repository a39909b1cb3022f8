<?php

declare(strict_types=1);

namespace Elmstone\PayLinks;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Paper\Payable;
use Elmstone\Shop\House;
use Elmstone\Support\ShopTime;

/**
 * What a link asks for, and until when: what is to be paid, the most of it, the last day. It is all in the link, under
 * a code that only this house can have made; nothing is kept of a link that nobody uses. docs/rules.md, "Paying by
 * link".
 */
final readonly class PayLink
{
    private function __construct(
        public Payable $what,
        public int $id,
        public Money $amount,
        public CarbonImmutable $until,
    ) {
    }

    public static function of(Payable $what, int $id, Money $amount, CarbonImmutable $until): self
    {
        return new self($what, $id, $amount, $until);
    }

    /** Null: it is none of ours, or was made before all links were made void. */
    public static function read(string $code, House $house): ?self
    {
        if (preg_match('/^([aipo])(\d{1,10})-(\d{1,13})-(\d{6})-([A-Za-z0-9_-]{22})$/D', $code, $found) !== 1) {
            return null;
        }

        $link = new self(
            Payable::from($found[1]),
            (int) $found[2],
            $house->money((int) $found[3]),
            CarbonImmutable::createFromFormat('!ymd', $found[4]) ?: ShopTime::today()->subYear(),
        );

        return hash_equals($link->code($house), $code) ? $link : null;
    }

    /** What it says, without the code that proves it: "i123-20400-270315". */
    public function asks(): string
    {
        $amount = str_replace('.', '', $this->amount->toString());

        return "{$this->what->value}{$this->id}-{$amount}-{$this->until->format('ymd')}";
    }

    public function code(House $house): string
    {
        $says = "pay {$house->shop()->link_epoch} {$this->asks()}";
        $key = config('app.key');
        $proof = substr(hash_hmac('sha256', $says, is_string($key) ? $key : '', true), 0, 16);

        return "{$this->asks()}-".rtrim(strtr(base64_encode($proof), '+/', '-_'), '=');
    }

    public function hasRunOut(): bool
    {
        return $this->until->lessThan(ShopTime::today());
    }
}
