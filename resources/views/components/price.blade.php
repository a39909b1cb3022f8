@use('Elmstone\Support\Show')
@props(['of'])
{{-- A price in a column of prices, which stand under each other on the point (_base.scss). --}}
<span {{ $attributes->class(['price', 'to-'.Show::places($of)]) }}>{{ Show::price($of) }}</span>
