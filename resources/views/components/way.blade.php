@props(['complaint', 'letter', 'id', 'label', 'save', 'name' => null, 'at' => null, 'value' => '',
    'placeholder' => '–', 'rest' => false, 'refused' => false, 'soft' => false, 'disabled' => false, 'with' => '',
    'amount' => true])
{{-- A way of paying in Settle: its letter, its name, the field for how much, what is wrong with it, and what else is to
    be known ($slot). $beside is a second field in front, $with its id: the two are sent together. $at is what a
    complaint names, where it is not the id; without a letter it hangs under the way before. --}}
@php([$name, $at] = [$name ?? $id, $at ?? $id])
@php($attributes = $attributes
    ->class(['form-control', 'amount' => $amount, 'is-refused' => $refused || $complaint->on($at)])
    ->merge(['inputmode' => 'decimal', 'autocomplete' => 'off', 'placeholder' => $placeholder, 'data-save' => $save])
    ->merge($letter === '' ? [] : ['data-way' => $letter])
    ->merge($with === '' ? [] : ['data-with' => $with]))
<li>
    <div @class(['way', 'two' => isset($beside) && $value !== ''])>
        @if($letter === '')<span></span>@else<kbd>{{ $letter }}</kbd>@endif
        <label for="{{ $id }}" @class(['soft' => $soft])>{{ $label }}</label>
        {{ $beside ?? '' }}
        <input id="{{ $id }}" name="{{ $name }}" value="{{ $complaint->typedOr($at, $value) }}" {{ $attributes }}
            {{ $complaint->holds($at, $value) }} @if($rest) data-rest @endif @disabled($disabled)></div>
    @if($complaint->on($at))<p class="complaint" role="alert">{{ $complaint->message() }}</p>@endif
    {{ $slot }}
</li>
