<?php

declare(strict_types=1);

namespace Elmstone\Reports;

use Elmstone\Support\Report\Column;
use Elmstone\Support\Report\Report;

/** A report that was answered, as the table every page, paper and file is made from. */
final class AsTable
{
    /**
     * @param  array<string, string>  $kept what it was asked by, besides its period
     * @return Report<Entry>
     */
    public static function of(Answer $answer, array $kept): Report
    {
        $definition = $answer->definition;
        $query = ['report' => $definition->key(), ...$answer->asked->period->query(), ...$kept];
        $by = $definition->by()[$answer->asked->by];
        $columns = [
            Column::text(ucfirst($by), $by, static fn (Entry $entry): string => $entry->label)
                ->leading(static fn (Entry $entry): ?string => $entry->link === '' ? null : $entry->link)
                ->toned(static fn (Entry $entry): string => $entry->isQuiet ? 'soft' : ''),
        ];

        foreach ($answer->figures as $figure) {
            $column = self::column($figure, $answer);
            $columns[] = $figure->kind === FigureKind::Text
                ? $column
                : $column->headLeading(route('reports.show', [...$query, 'sort' => $figure->name]));
        }

        if ($answer->before !== null) {
            array_push($columns, ...self::besides($answer));
        }

        return Report::of($definition->title(), $answer->entries, $columns)
            ->about($answer->asked->period->words())
            ->counting(count($answer->entries), 'row', 'rows')
            ->orElse('Nothing of this in this time.')
            ->savedAs($definition->key(), 'reports.csv', $query);
    }

    /** @return Column<Entry> */
    private static function column(Figure $figure, Answer $answer): Column
    {
        $shown = static fn (Entry $entry): string => $figure->shown($entry->figures, $answer->currency);
        $written = static fn (Entry $entry): string => $figure->written($entry->figures, $answer->currency);
        $column = $figure->kind === FigureKind::Text
            ? Column::text($figure->head, $figure->name, $shown)->small()
            : Column::figure($figure->head, $figure->name, $shown, $written);

        return $figure->isInTotal || $figure->kind === FigureKind::Ratio
            ? $column->totalled($figure->shown($answer->totals, $answer->currency))
            : $column;
    }

    /** @return list<Column<Entry>> the first figure of the other period, and how it changed */
    private static function besides(Answer $answer): array
    {
        $figure = $answer->figures[0];
        $had = static fn (Entry $entry): array => [...$entry->figures, $figure->name => $answer->had($entry)];
        $change = static fn (mixed $now, mixed $then): string => is_numeric($now) && is_numeric($then)
            && (int) $then !== 0
            ? str_replace('-', '−', sprintf('%+.1f %%', ((float) $now - (float) $then) * 100 / abs((float) $then)))
            : '';

        return [
            Column::figure(
                $answer->asked->compare === 'year' ? 'A year before' : 'Before', 'before',
                static fn (Entry $entry): string => $figure->shown($had($entry), $answer->currency),
                static fn (Entry $entry): string => $figure->written($had($entry), $answer->currency),
            )->totalled($figure->shown($answer->totalsBefore, $answer->currency)),
            Column::figure(
                'Change', 'change',
                $of = static fn (Entry $entry): string => $change($figure->of($entry->figures), $answer->had($entry)),
                $of,
            )->totalled($change($figure->of($answer->totals), $figure->of($answer->totalsBefore))),
        ];
    }
}
