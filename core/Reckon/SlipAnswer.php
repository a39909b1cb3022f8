<?php

declare(strict_types=1);

namespace Elmstone\Core\Reckon;

use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Slip\Coupon;
use Elmstone\Core\Slip\Direction;
use Elmstone\Core\Slip\ReckonedCoupon;
use Elmstone\Core\Slip\ReckonedLine;
use Elmstone\Core\Slip\ReckonedSlip;
use Elmstone\Core\Slip\Reckoner;
use Elmstone\Core\Slip\RefusedOnLine;
use Elmstone\Core\Slip\Slip;
use Elmstone\Core\Slip\SlipLine;
use Elmstone\Core\Tax\Exemption;
use Elmstone\Core\Tax\TaxComponent;
use Elmstone\Core\Tax\TaxProfile;
use Elmstone\Core\Tax\TaxRounding;
use Elmstone\Core\Tax\TaxSubtotal;
use Elmstone\Core\Tax\TaxTerms;

/** "slip": what a slip comes to, line by line. */
final readonly class SlipAnswer
{
    /** @return array<string, mixed> */
    public static function to(Node $request): array
    {
        $request->only(
            'do', 'currency', 'tax_included', 'tax_rounding', 'tax', 'exempt', 'slip_discount', 'coupons', 'lines',
        );
        $currency = $request->currency();
        $lines = array_map(
            static fn (Node $line): SlipLine => self::line($line, $currency),
            $request->children('lines'),
        );
        $profile = $request->checked(
            'tax',
            static fn (): TaxProfile => TaxProfile::of(...array_map(self::component(...), $request->children('tax'))),
        );
        $exemption = self::exemption($request);
        $request->checked('exempt', static fn (): TaxProfile => $profile->without($exemption));

        $coupons = array_map(
            static fn (Node $coupon): Coupon => self::coupon($coupon, $currency),
            $request->children('coupons'),
        );
        $slip = Slip::of(
            $currency,
            self::terms($request),
            $profile,
            $lines,
            $request->reduction('slip_discount', $currency),
            $exemption,
            $coupons,
        );

        try {
            return self::written(self::fine(Reckoner::reckon($slip)));
        } catch (RefusedOnLine $refused) {
            throw new BadRequest($refused->rule, $refused->getMessage(), "lines[{$refused->line}].discount");
        } catch (Refused $refused) {
            throw BadRequest::at($refused->rule === 'discount_too_large' ? 'slip_discount' : 'lines', $refused);
        }
    }

    /** @throws BadRequest where a coupon does not count */
    private static function fine(ReckonedSlip $slip): ReckonedSlip
    {
        foreach ($slip->coupons as $i => $coupon) {
            if ($coupon->refused !== null) {
                throw BadRequest::at("coupons[{$i}]", $coupon->refused);
            }
        }

        return $slip;
    }

    private static function coupon(Node $node, Currency $currency): Coupon
    {
        $node->only('id', 'reduction', 'lines', 'least_spend', 'alone');

        return new Coupon(
            $node->string('id'),
            $node->reduction('reduction', $currency)
                ?? throw new BadRequest('missing', '“reduction” is missing.', $node->at('reduction')),
            $node->has('lines') ? $node->strings('lines') : null,
            $node->has('least_spend') ? $node->money('least_spend', $currency) : null,
            $node->bool('alone', false),
        );
    }

    private static function terms(Node $request): TaxTerms
    {
        $rounding = TaxRounding::tryFrom($request->string('tax_rounding', 'document'))
            ?? throw new BadRequest('bad_rounding', 'Tax is rounded per “document” or per “line”.', 'tax_rounding');

        return $request->bool('tax_included', false)
            ? TaxTerms::pricesWithTax($rounding)
            : TaxTerms::pricesWithoutTax($rounding);
    }

    private static function component(Node $node): TaxComponent
    {
        $node->only('id', 'rate', 'classes', 'on_top_of');

        return new TaxComponent(
            $node->string('id'),
            $node->read('rate', Percentage::of(...)),
            $node->has('classes') ? $node->strings('classes') : ['standard'],
            $node->strings('on_top_of'),
        );
    }

    private static function exemption(Node $request): Exemption
    {
        try {
            return Exemption::from($request->strings('exempt'));
        } catch (BadRequest $notAList) {
            return $request->string('exempt') === 'all' ? Exemption::everything() : throw $notAList;
        }
    }

    private static function line(Node $node, Currency $currency): SlipLine
    {
        $node->only('id', 'direction', 'quantity', 'unit_price', 'price_per', 'tax_class', 'discount', 'may_discount');

        return $node->checked(
            'price_per',
            static fn (): SlipLine => SlipLine::of(
                $node->string('id'),
                Direction::tryFrom($node->string('direction', 'out'))
                    ?? throw new BadRequest('bad_direction', 'A line goes “out” or “back”.', $node->at('direction')),
                $node->read('quantity', Quantity::of(...)),
                $node->read('unit_price', UnitPrice::of(...)),
                $node->int('price_per', 1),
                $node->string('tax_class', 'standard'),
                $node->reduction('discount', $currency),
                $node->bool('may_discount', true),
            ),
        );
    }

    /** @return array<string, mixed> */
    private static function written(ReckonedSlip $slip): array
    {
        return [
            'lines' => array_map(
                static fn (ReckonedLine $line): array => self::writtenLine($line, $slip->coupons !== []),
                $slip->lines,
            ),
            'subtotal' => $slip->subtotal->toString(),
            ...$slip->coupons === []
                ? []
                : [
                    'coupons' => array_map(
                        static fn (ReckonedCoupon $coupon): array => [
                            'id' => $coupon->coupon->id,
                            'basis' => $coupon->basis->toString(),
                            'amount' => $coupon->amount->toString(),
                        ],
                        $slip->coupons,
                    ),
                ],
            'slip_discount' => $slip->slipDiscount->toString(),
            'net' => $slip->net->toString(),
            'tax' => array_map(
                static fn (TaxSubtotal $tax): array => [
                    'id' => $tax->component->id,
                    'base' => $tax->base->toString(),
                    'amount' => $tax->amount->toString(),
                ],
                $slip->tax,
            ),
            'tax_total' => $slip->taxTotal->toString(),
            'total' => $slip->total->toString(),
        ];
    }

    /** @return array<string, mixed> */
    private static function writtenLine(ReckonedLine $line, bool $withCoupons): array
    {
        return [
            'id' => $line->line->id,
            'gross' => $line->gross->toString(),
            'line_discount' => $line->lineDiscount->toString(),
            ...$withCoupons ? ['coupons' => $line->coupons->toString()] : [],
            'slip_discount' => $line->slipDiscount->toString(),
            'net' => $line->net->toString(),
            'tax' => (object) array_map(static fn (Money $tax): string => $tax->toString(), $line->tax),
            'tax_total' => $line->taxTotal->toString(),
            'total' => $line->total->toString(),
        ];
    }
}
