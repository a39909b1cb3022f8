@php($key = $section->key())
@php($rows = old($key, $now[$key]))
<table class="ruled setting-rows"><thead><tr>@foreach($section->fields() as $field)<th>{{ $field->label }}
    @if($field->hint !== '')<span class="hint">{{ $field->hint }}</span>@endif</th>@endforeach
    <th class="away">Away</th></tr></thead>
<tbody>@foreach([...$rows, []] as $row)@php($i = $loop->index)<tr>
    @foreach($section->fields() as $field)<td>@if($loop->first && isset($row['id']))<input type="hidden"
        name="{{ $key }}[{{ $i }}][id]" value="{{ $row['id'] }}">@endif<x-field bare :field="$field"
            :at="$key.'.'.$i.'.'.$field->name" :value="$row[$field->name] ?? ''" /></td>@endforeach
    <td class="away">@isset($row['id'])<input type="checkbox" class="form-check-input" value="1"
        name="{{ $key }}[{{ $i }}][remove]" aria-label="Take {{ $row['name'] ?? $row['id'] }} away">@endisset</td></tr>
@endforeach</tbody></table>
<p class="soft small">The last row adds one. What is in use stays, whatever is ticked.</p>
