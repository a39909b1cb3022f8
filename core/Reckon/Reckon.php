<?php

declare(strict_types=1);

namespace Elmstone\Core\Reckon;

/**
 * The core as a service of figures: a request in JSON, the answer as plain data. Schemas: docs/reckon/.
 */
final readonly class Reckon
{
    /** What `do` may name, and what answers it. */
    private const ANSWERS = [
        'slip' => SlipAnswer::class,
        'settle' => SettleAnswer::class,
        'schedule' => ScheduleAnswer::class,
        'age' => AgeAnswer::class,
        'allocate' => AllocateAnswer::class,
        'suggest' => SuggestAnswer::class,
        'charge' => ChargeAnswer::class,
        'layaway' => LayawayAnswer::class,
        'return' => ReturnAnswer::class,
        'margin' => MarginAnswer::class,
        'till' => TillAnswer::class,
        'supply' => SupplyAnswer::class,
        'receive' => ReceiveAnswer::class,
        'landed' => LandedAnswer::class,
        'shares' => SharesAnswer::class,
        'forecast' => ForecastAnswer::class,
        'markdown' => MarkdownAnswer::class,
        'surcharge' => SurchargeAnswer::class,
        'rewards' => RewardsAnswer::class,
        'consignment' => ConsignmentAnswer::class,
    ];

    /**
     * @return array<string, mixed>
     *
     * @throws BadRequest
     */
    public static function answer(string $json): array
    {
        $request = Node::root($json);
        $do = $request->string('do');
        $answer = self::ANSWERS[$do]
            ?? throw new BadRequest(
                'unknown_request',
                "“{$do}” is not a request; known are ".implode(', ', array_keys(self::ANSWERS)).'.',
                'do',
            );

        return $request->checked('', static fn (): array => $answer::to($request));
    }
}
