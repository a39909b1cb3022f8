{{-- One field of a setting. $at: the name it has in the form, with points; $value: as it is typed now. --}}
@props(['field', 'at', 'value' => '', 'bare' => false])
@use('Elmstone\Setup\FieldKind')
@php($name = preg_replace('/\.([^.]+)/', '[$1]', $at))
@php($id = str_replace('.', '-', $at))
@php($typed = old($at, $value))
@if($field->kind === FieldKind::Tick)
    <label @class(['tick' => ! $bare]) for="{{ $id }}"><input type="hidden" name="{{ $name }}" value=""><input
        class="form-check-input" type="checkbox" id="{{ $id }}" name="{{ $name }}" value="1" @checked($typed === '1')
            @if($bare) aria-label="{{ $field->label }}" @endif> @unless($bare){{ $field->label }}@endunless</label>
@else
    @unless($bare)<label for="{{ $id }}">{{ $field->label }}@if($field->hint !== '') <span
        class="hint">{{ $field->hint }}</span>@endif</label>@endunless
    @if($field->kind === FieldKind::Choice)
        <select @class(['form-select', 'is-refused' => $errors->has($at)]) id="{{ $id }}" name="{{ $name }}"
            @if($bare) aria-label="{{ $field->label }}" @endif>
            @unless($field->isNeeded && $typed !== '' || isset($field->choices['']))<option value="">–</option>
            @endunless
            @foreach($field->choices as $kept => $words)<option value="{{ $kept }}"
                @selected((string) $kept === (string) $typed)>{{ $words }}</option>@endforeach
        </select>
    @elseif($field->kind === FieldKind::Long)
        <textarea @class(['form-control', 'is-refused' => $errors->has($at)]) id="{{ $id }}" name="{{ $name }}" rows="2"
            maxlength="{{ $field->most }}">{{ $typed }}</textarea>
    @else
        <input @class(['form-control', 'is-refused' => $errors->has($at), 'text-end' => in_array($field->kind,
            [FieldKind::Number, FieldKind::Money, FieldKind::Percent], true)]) id="{{ $id }}" name="{{ $name }}"
            value="{{ $field->kind === FieldKind::Secret ? '' : $typed }}" autocomplete="off"
            @if($bare) aria-label="{{ $field->label }}" @endif
            @if($field->kind === FieldKind::Secret) type="password" inputmode="numeric"
            @elseif($field->kind === FieldKind::Number) inputmode="numeric"
            @elseif($field->kind !== FieldKind::Text && $field->kind !== FieldKind::Notes) inputmode="decimal" @endif>
    @endif
@endif
@include('design.complaint', ['field' => $at, 'id' => $id])
