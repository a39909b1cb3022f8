@use('Elmstone\Support\Show')
{{-- What came to money held and what left it: $entries, $in and $out as heads, $what it was, its $note. --}}
<table class="ruled">
    <thead><tr><th>Date</th><th>Document</th><th>What</th><th class="figure">{{ $in }}</th>
    <th class="figure">{{ $out }}</th></tr></thead>
    @foreach($entries as $entry)<tr>
    <td class="nowrap">{{ Show::date($entry->business_date) }}</td>
    <td><a class="code" href="{{ route('documents.show', $entry->document->label) }}">{{ $entry->document->label }}</a>
        </td><td>{{ $what($entry, $loop->last) }} <span class="small soft">{{ $note($entry) }}</span></td>
    <td class="figure">{{ $entry->amount->isPositive() ? $entry->amount : '' }}</td>
    <td class="figure">{{ $entry->amount->isPositive() ? '' : $entry->amount->abs() }}</td></tr>@endforeach
</table>
