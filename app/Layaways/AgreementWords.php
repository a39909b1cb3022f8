<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

use Carbon\CarbonImmutable;
use Elmstone\Core\Layaway\Rhythm;
use Elmstone\Core\Money\Money;
use Elmstone\Support\Show;

/**
 * What a layaway agreement says besides goods and schedule: the same words on the page, on the paper and under the
 * signature. What consumer law asks to be written (how long, what when paid late, what cancelling costs, that one may
 * cancel) is in them; docs/rules.md names the acts.
 */
final class AgreementWords
{
    /** @return list<string> sentences */
    public static function of(
        Money $total,
        Money $deposit,
        AgreedTerms $terms,
        Rhythm $rhythm,
        int $count,
        CarbonImmutable $firstDue,
        CarbonImmutable $expiresOn,
        int $graceDays,
    ): array {
        $fee = $terms->toValue()->cancellationFee->ofSum($total);
        $rest = $total->minus($deposit);
        $payments = $rest->isZero()
            ? 'The goods are paid in full.'
            : match ($count) {
                1 => 'The rest of '.Show::money($rest).' in one payment by '.Show::date($firstDue).'.',
                default => 'The rest of '
                    .Show::money($rest)
                    ." in {$count} payments, every "
                    .self::every($rhythm)
                    .' from '
                    .Show::date($firstDue)
                    .'.',
            };

        return [
            'Price of the goods with tax '
            .Show::money($total)
            .', fixed until they leave. Deposit '
            .Show::money($deposit)
            .'. '
            .$payments,
            self::leastPayment($terms),
            'The goods are set aside until '
            .Show::date($expiresOn)
            .($graceDays > 0 ? " and {$graceDays} days of grace" : '')
            .'. The same grace holds for each payment.',
            'You may cancel at any time before the goods leave. What you paid goes back to you'
            .($fee->isZero()
                ? ' in full.'
                : ', less '.Show::money($fee).' for the trouble, and never more than you have paid.'),
        ];
    }

    private static function leastPayment(AgreedTerms $terms): string
    {
        $percent = $terms->percent('min_payment');
        $amount = $terms->amount('min_payment');
        $money = $amount === null ? '' : Show::money($amount);
        $share = $percent === null ? '' : Show::decimal($percent).' % of what remains';
        $more = ' More, or sooner, is always welcome.';

        return match (true) {
            $percent !== null && $amount !== null => "Each payment is at least {$share} or {$money}, whichever is "
                ."more.{$more}",
            $percent === null && $amount === null => "Each payment may be of any amount.{$more}",
            default => "Each payment is at least {$share}{$money}.{$more}",
        };
    }

    private static function every(Rhythm $rhythm): string
    {
        return match ($rhythm) {
            Rhythm::Week => 'week',
            Rhythm::Fortnight => 'two weeks',
            Rhythm::Month => 'month',
        };
    }
}
