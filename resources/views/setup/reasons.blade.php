@use('Elmstone\Returns\ReturnReasons')
@use('Elmstone\Returns\WriteOffReason')
@use('Elmstone\Returns\WriteOffReasons')
@use('Elmstone\Setup\FieldKind')
@php($fields = array_column($section->fields(), null, 'name'))
<table class="ruled">
    <thead><tr><th>Why goods come back</th><th>Called</th><th>Offered</th><th>Restocking fee</th><th>The goods go</th>
    </tr></thead>
    <tbody>@foreach(ReturnReasons::OF_GOODS as $reason)@php($key = $reason->value)<tr>
        <td class="pt-3">{{ $reason->shippedWords() }}</td>
        <td><input class="form-control @error("{$key}_words") is-refused @enderror" id="{{ $key }}_words"
            name="{{ $key }}_words" value="{{ old("{$key}_words", $now["{$key}_words"]) }}" maxlength="40"
            aria-label="{{ $fields["{$key}_words"]->label }}" @if($loop->first) data-focus @endif>
            @include('design.complaint', ['field' => "{$key}_words"])</td>
        @foreach(["{$key}_offered", "{$key}_fee"] as $tick)<td><input type="hidden" name="{{ $tick }}" value="">
            <input class="form-check-input mt-2" type="checkbox" id="{{ $tick }}" name="{{ $tick }}" value="1"
                @checked(old($tick, $now[$tick]) === '1') aria-label="{{ $fields[$tick]->label }}"></td>@endforeach
        <td><select class="form-select w-auto" id="{{ $key }}_goods" name="{{ $key }}_goods"
            aria-label="{{ $fields["{$key}_goods"]->label }}">
            @foreach($fields["{$key}_goods"]->choices as $value => $words)<option value="{{ $value }}"
                @selected(old("{$key}_goods", $now["{$key}_goods"]) === $value)>{{ $words }}</option>@endforeach
            </select>@include('design.complaint', ['field' => "{$key}_goods"])</td></tr>@endforeach</tbody>
</table>
<table class="ruled mt-3 w-50">
    <thead><tr><th>Why goods are written off</th><th>Called</th><th>Offered</th></tr></thead>
    <tbody>@foreach(WriteOffReason::cases() as $reason)@php($key = WriteOffReasons::SET.$reason->value)<tr>
        <td class="pt-3">{{ $reason->shippedWords() }}</td>
        <td><input class="form-control @error("{$key}_words") is-refused @enderror" id="{{ $key }}_words"
            name="{{ $key }}_words" value="{{ old("{$key}_words", $now["{$key}_words"]) }}" maxlength="40"
            aria-label="{{ $fields["{$key}_words"]->label }}">
            @include('design.complaint', ['field' => "{$key}_words"])</td>
        <td><input type="hidden" name="{{ $key }}_offered" value="">
            <input class="form-check-input mt-2" type="checkbox" id="{{ $key }}_offered" name="{{ $key }}_offered"
                value="1" @checked(old("{$key}_offered", $now["{$key}_offered"]) === '1')
                aria-label="{{ $fields["{$key}_offered"]->label }}"></td></tr>@endforeach</tbody>
</table>
<div class="settings mt-3">@foreach($fields as $field)@if($field->kind === FieldKind::Long)<div class="wide">
    <x-field :field="$field" :at="$field->name" :value="$now[$field->name] ?? ''" /></div>@endif @endforeach</div>
